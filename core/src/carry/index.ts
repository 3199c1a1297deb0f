export { besideOf } from './beside';
export { onHead, type OnHead } from './onHead';
export { createCarried, type Carried } from './carried';
