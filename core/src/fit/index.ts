export { createFitting, type Fitting } from './fitting';
export { hotShare } from './heat';
