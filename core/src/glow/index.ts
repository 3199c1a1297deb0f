export { shineOf } from './shineOf';
export { type CastLight, castLights } from './castLights';
