export { createDeriver, derive, type Asking } from './derive';
export type { Report } from './report';
export { digestOf, type Digest } from './digest';
