export { boxPanels, discGrid } from './box';
export { contourLines } from './contours';
export { edgeRun } from './edgeRun';
export { flatPanel } from './flatPanel';
export { gridOf, halfTurnFor, onEllipsoid, onSlice, type Slice } from './grids';
export {
  bendingOf,
  foamOf,
  layPanels,
  solidOf,
  surfaceOf,
  type Bending,
  type LaidPanel,
  type Solid,
  type Surface,
} from './lay';
export {
  gridMesh,
  gridNormals,
  layerOf,
  offsetGrid,
  sides,
  sideVertices,
  type Hung,
  type Join,
  type Panel,
  type Ruled,
  type Side,
} from './panel';
export { bandAlong, insetOf, onGrid, spotsAlong } from './patch';
export { nearestOn } from './pick';
export type { Hole, Mark, Piece, PieceEdge } from './piece';
export { depthUnder, footprintOutline, gapRoom, type Room } from './room';
