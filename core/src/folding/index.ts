export { arrivals } from './arrivals';
export { foldedPart, type FoldedPiece } from './foldPart';
export { foldedGrids } from './foldGrid';
export { shareOf, spanOf } from './timeline';
