export { finishedPicture } from './finishedPicture';
export { type Pictured, stepPicture } from './stepPicture';
export { wornPicture } from './wornPicture';
