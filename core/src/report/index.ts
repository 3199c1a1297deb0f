export { createDeriver, derive, type Asking } from './derive';
export type { Report } from './report';
export { lightMethods, type PowerMethod, type MethodProposal, type MethodsAsked } from './lightMethods';
export { placesFor } from './places';
export { digestOf, type Digest } from './digest';
export { proposedChannels } from './proposedChannels';
export { easings, readinessRuns, type Easing } from './easing';
export { startIn, type StartAsked } from './startIn';
export { startLightsIn, type FittedLights } from './startLightsIn';
