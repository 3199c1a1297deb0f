export type { Dimension } from './dimension';
export { dimensionsOf } from './dimensionsOf';
export { featureDimensions } from './featureDimensions';
export { turned } from './turning';
export { movedTo } from './moved';
