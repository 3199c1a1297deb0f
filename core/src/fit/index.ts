export { hotShare } from './covered';
export { createFitting, type Fitting } from './fitting';
