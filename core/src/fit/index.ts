export { hotShare } from './covered';
export { createFitting, type Fitting } from './fitting';
export { faceLight, type Spotlight } from './faceLight';
