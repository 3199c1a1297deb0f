export { cutThrough, type CutThrough } from './cutThrough';
export { drawnPiece, inRows, pieceShapes, quantityText, type Source, type SourcedPiece } from './drawing';
export { bevelShapes, holeShapes, markShapes, sampleOf } from './marks';
export {
  boardDrawing,
  COVER,
  coverPages,
  FOOT_MM,
  frontNotes,
  frontWidthMm,
  NOTE_LINE_MM,
  onPage,
  pagesNeeded,
  paper,
  PAGE_MARGIN_MM,
  planPages,
  printScale,
  type Board,
  type Page,
  type Placed,
  type Unwritten,
} from './pages';
export { layers, lineStyle, moveShape, type Layer, type Shape } from './shape';
export {
  pieceCode,
  printedPieces,
  saidIn,
  sourcedPieces,
  sourcedTemplates,
  type Patterned,
} from './sourcedPieces';
export { fitted } from './lettering/words';
export { roomiest } from './roomiest';
