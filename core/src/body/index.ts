export { armGirthMm, armSection } from './arm';
export { bodyMeshes } from './bodyMeshes';
export type { Clearance } from './clearance';
export { largerBody, newestMeasures, resolveBody, type Body } from './estimate';
export { armLean, figure, limbFrame, onLimb, type FigurePart } from './figure';
export { junctions } from './junctions';
export { earOf, faceOutMm, headForm, type HeadForm, noseTip, skinAt } from './head';
export { CROWN, FLOOR, landmarks, seenMarks, type Landmark } from './landmarks';
export {
  type BodyRegion,
  measureInfo,
  type MeasureInfo,
  type MeasureKey,
  measures,
  shortSet,
} from './measures';
export { doubts, type Doubt } from './plausible';
export { likelyUnits, measureScan, scanUnits, standUp, type ScanUnit } from './scan';
export {
  headAxes,
  levels,
  limbGirthMm,
  limbLengthMm,
  limbSection,
  limbStations,
  neckSection,
  torsoSection,
  type Limb,
} from './sections';
export { simulateScan } from './simulatedScanner';
export { tapes, type Tape } from './tapes';
export {
  canPair,
  fistAt,
  hangOn,
  zoneInfo,
  zones,
  zonesIn,
  type JointName,
  type Region,
  type TenderSpot,
  type Zone,
  SHOULDER_ROUND_MM,
  STRAP_AT,
} from './zones';
export { zonesAt } from './zonesAt';
export { sidesWorn, wornSides } from './wornSides';
export { type LimbSide, type Measure, type Wearer, wearerRule, wearerShape } from './wearer';
