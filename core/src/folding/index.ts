export { foldedPart, type FoldedPiece } from './foldPart';
export { foldedGrids } from './foldGrid';
