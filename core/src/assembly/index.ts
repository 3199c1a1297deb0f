export { type Between, between, betweenMeshes, bodyOf, FAR_MM, rigid, type Rigid } from './between';
export { withLetIn } from './letIn';
export { type Standing, standingsOf } from './standing';
