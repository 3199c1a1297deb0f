export type { Darted } from './dart';
export { flattenWithDarts, uncut } from './darts';
export { flattenWithGivenDarts } from './handDarts';
export { refoldDistanceMm } from './refold';
export { stretchOf, vertexStretch } from './stretch';
export { boundaryLoops, vertexNeighbours } from './topology';
export { nestedDissection } from './dissection';
export { flattenLocalGlobal } from './localGlobal';
export { SparseFactor } from './sparseFactor';
