export { besideOf } from './beside';
export { onBack, type OnBack } from './onBack';
export { onEar, type OnEar } from './onEar';
export { onHead, type OnHead } from './onHead';
export { onShoulders, strapKPa, type OnShoulders, type StrapLoad } from './onShoulders';
export { createCarried, type Carried } from './carried';
