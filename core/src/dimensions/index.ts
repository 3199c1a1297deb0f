export type { Dimension } from './dimension';
export { dimensionsOf } from './dimensionsOf';
export { turned } from './turning';
export { movedTo } from './moved';
