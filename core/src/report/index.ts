export { createDeriver, derive, type Asking } from './derive';
export type { Report } from './report';
export { placesFor } from './places';
export { digestOf, type Digest } from './digest';
