export { type Chafe, chafing } from './chafing';
export { hotShare } from './covered';
export { createFitting, type Fitting } from './fitting';
export { aboutLines } from './aboutLines';
export { DOOR_MM, gettingAbout, type GettingAbout } from './gettingAbout';
export { faceLight, type Spotlight } from './faceLight';
export { breathPaOf, insideHead, type InsideHead } from './insideHead';
export { insideLines } from './insideLines';
