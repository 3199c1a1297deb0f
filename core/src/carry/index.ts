export { besideOf } from './beside';
export { createCarried, type Carried } from './carried';
