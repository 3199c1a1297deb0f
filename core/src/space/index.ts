export { roomBehind } from './behind';
export { type Convex, onStand, overlapOf, type Overlap, prism, type Stand } from './convex';
export { meshFaces, panelFaces, stickFaces, type Triangle } from './faces';
export { type Axis, spotTurned, turned } from './turned';
export { freeUnder, solidIn, standIn } from './under';
export { togetherWalls, wallsOf, wallsOfFaces, type Walls } from './walls';
export {
  extentOf,
  extentOfFaces,
  type Extent,
  middleOf,
  seesOut,
  togetherExtent,
  wayLength,
  wayOut,
  type WayOut,
} from './wayOut';
