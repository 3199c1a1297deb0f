export {
  distanceToEllipse,
  ellipseAtNormal,
  ellipseOfGirth,
  ellipsePerimeter,
  parallelGirth,
  type Ellipse,
} from './ellipse';
export { convexHull } from './hull';
export { drawnBetween, drawnOver } from './tape';
export { fromTriangle } from './fromTriangle';
export { rayMeets, rayReach } from './ray';
export { joinMeshes, meshArea, triangleArea, meshVolume, shellMesh, type Mesh } from './mesh';
export {
  inertiaAbout,
  meshWeight,
  placedWeight,
  pointWeight,
  rodWeight,
  togetherWeight,
  type Weight,
} from './moments';
export { overlapsItself } from './overlap';
export {
  type Bounds,
  boundsOf,
  centroid,
  contains,
  distanceToEdge,
  distanceToLine,
  outlineLength,
  pointAlong,
  polylineLength,
  signedArea,
} from './polygon';
export {
  alongRun,
  common,
  grown,
  joined,
  largestRing,
  regionArea,
  triangulated,
  without,
  type Region,
} from './regions';
export { sliceAt, slicerOf, tapeGirthMm } from './slice';
export { planeCut } from './planeCut';
export { boxesInRows } from './boxesInRows';
export { boxRing, roundRing, stacked } from './stacked';
export { thinned, type Thinned } from './thinned';
export { unspiked } from './unspiked';
export { flatPoint, unrollStrip } from './unroll';
export {
  add2,
  add3,
  cross3,
  dist2,
  dist3,
  dot3,
  length3,
  lerp2,
  lerp3,
  rotate2,
  scale2,
  scale3,
  sub2,
  sub3,
  unit3,
  type Vec2,
  type Vec3,
} from './vec';
export { stretchesOf, type Stretch } from './arcs';
