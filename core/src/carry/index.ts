export { besideOf } from './beside';
export { onBack, type OnBack } from './onBack';
export { onHead, type OnHead } from './onHead';
export { createCarried, type Carried } from './carried';
