export { boxPanels, discGrid } from './box';
export { congruence, type Congruence } from './congruent';
export { contourLines } from './contours';
export { sharpCorners } from './corners';
export { squareWhenSmall, STEEPEST_BEVEL_DEG } from './bevels';
export { bevelAngle, bevelMarkWords, bevelWords } from './edgeWords';
export { edgeRun } from './edgeRun';
export { edgeTurns, type EdgeTurn, type EdgeTurns } from './edgeTurns';
export { flatPanel } from './flatPanel';
export { gridOf, halfTurnFor, onEllipsoid, onSlice, type Slice } from './grids';
export { layPanels, type LaidPanel, type LayOptions } from './lay';
export { filledGrid, folds, fourSides } from './filled';
export { bendingOf, type Bending, foamOf } from './foamMeasures';
export { type Run, runsOf, skinMesh, type Solid, solidOf, type Surface, surfaceOf } from './solid';
export {
  gridMesh,
  gridNormals,
  layerOf,
  offsetGrid,
  sides,
  edgesOf,
  edgeVertices,
  sideVertices,
  splitPanel,
  type Join,
  type Panel,
  type RimEdge,
  type Stretch,
  stretchAlong,
  type Ruled,
  type Side,
} from './panel';
export { FLOOR_MM, layersRoom, layersUnder, pocketCut } from './layers';
export { between, bandAlong, insetOf, onGrid, spotsAlong } from './patch';
export { netsOf, type Nets } from './nets';
export { nearestOn, onFlat, onSurface, spotOfFlat } from './pick';
export { dartsOn, eachOf, type Hole, type Mark, type MarkKind, type Piece, type PieceEdge } from './piece';
export { platePanel, platePiece } from './plate';
export { plateMesh } from './plateMesh';
export { type Facing, onPlane, plateRegion, type Plane, type Plate, type PlateCut, shut } from './plateShape';
export { contactsOf, type Contact } from './touching';
export { stickMesh } from './stickMesh';
export {
  isRound,
  secondMomentMm4,
  sectionAreaMm2,
  sectionOf,
  sectionOutline,
  sizeOf,
  type Stick,
  type Section,
} from './stick';
export { growEdges } from './growEdges';
export { letsLight, type LightWall, type WallAt } from './lightWall';
export type { Attachment } from './attachment';
export {
  boxRoom,
  depthUnder,
  type Footprint,
  footprintOutline,
  type Free,
  gapRoom,
  type Rib,
  type Room,
  roundOutline,
  type Shape,
  type Under,
} from './room';
