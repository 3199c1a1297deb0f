export { type Between, between, betweenMeshes, bodyOf, FAR_MM, rigid, type Rigid } from './between';
export { type InFront, inFrontOf } from './inFront';
export { withLetIn } from './letIn';
export { type PutInClash, putInClashes } from './putIn';
export { type Standing, standingsOf } from './standing';
