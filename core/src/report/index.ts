export { createDeriver, derive } from './derive';
export type { Report } from './report';
