export { cutThrough, type CutThrough } from './cutThrough';
export { drawnPiece, inRows, pieceShapes, quantityText, type Source, type SourcedPiece } from './drawing';
export { bevelWedge, holeShapes, markShapes, sampleOf } from './marks';
export type { Board, Page, Placed } from './board';
export { boardDrawing, onPage, type Unwritten } from './boardDrawing';
export {
  COVER,
  coverPages,
  frontNotes,
  frontWidthMm,
  NOTE_LINE_MM,
  pagesNeeded,
  pagesReckoned,
} from './front';
export { planPages } from './pages';
export { FOOT_MM, PAGE_MARGIN_MM, paper, printScale } from './paper';
export { layers, lineStyle, moveShape, type Layer, type Shape } from './shape';
export {
  pieceCode,
  printedPieces,
  saidIn,
  sourcedPieces,
  sourcedTemplates,
  type Patterned,
} from './sourcedPieces';
export { fitted, wordsWidthMm } from './lettering/words';
export { roomiest } from './roomiest';
