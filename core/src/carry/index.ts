export { besideOf } from './beside';
export { frameSags, type FrameSag } from './frame/frameSag';
export { hungOn, type Hung } from './hung';
export { onBack, type OnBack } from './onBack';
export { onEar, type OnEar } from './onEar';
export { onHead, type OnHead } from './onHead';
export { onShoulders, strapKPa, type OnShoulders, type StrapLoad } from './onShoulders';
export { createCarried, type Carried } from './carried';
export { onLimbs, type OnLimb } from './onLimbs';
