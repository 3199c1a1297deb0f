export { createDeriver, derive } from './derive';
export type { Report } from './report';
export { digestOf, type Digest } from './digest';
