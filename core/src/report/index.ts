export { createDeriver, derive, type Asking } from './derive';
export type { Report } from './report';
export { lightSchools, type PowerSchool, type SchoolProposal, type SchoolsAsked } from './lightSchools';
export { placesFor } from './places';
export { digestOf, type Digest } from './digest';
export { proposedChannels } from './proposedChannels';
export { easings, readinessRuns, type Easing } from './easing';
export { startIn, type StartAsked } from './startIn';
export { startLightsIn, type FittedLights } from './startLightsIn';
