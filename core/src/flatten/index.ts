export type { Darted } from './dart';
export { flattenWithDarts } from './darts';
export { flattenWithGivenDarts } from './handDarts';
export { refoldDistanceMm } from './refold';
export { stretchOf, vertexStretch } from './stretch';
export { boundaryLoops } from './topology';
