export { applyChanges, type Change } from './change';
export {
  type Check,
  type Finding,
  type Proposal,
  type Remedy,
  setting,
  type Severity,
  type Station,
  type Wanted,
} from './finding';
export { type TravelCase } from './brief';
export { type Circuit } from './circuit';
export { type CutPlan, type Nest, type PageSize, type Printer, printerRule } from './cutPlan';
export { type BuildDoc, buildRule, type PrintedPart, schemaVersion, type SetAside } from './document';
export {
  type BuildFile,
  fileRule,
  type KeptPicture,
  type LogEntry,
  logEntryRule,
  logRule,
  type LogSort,
  type Pin,
  pinRule,
} from './file';
export { type KeptMesh } from './keptMesh';
export { type Known } from './known';
export { type MakeCalendar } from './makePlan';
export { type PartOtherwise, type Version } from './otherwise';
export { type Copies, type Mount, type Side } from './parts/mount';
export {
  type Beneath,
  copiesOf,
  type Feature,
  type Finish,
  type HandDart,
  MOST_NOTE,
  type Part,
  type PieceDarts,
  type Ply,
} from './parts/part';
export { type EdgeSpan, type PanelSpot, type Place, type PlaceKind } from './parts/place';
export { type Params, type Row, type Value } from './parts/value';
export {
  angle,
  choice,
  count,
  holds,
  length,
  number,
  ownFoam,
  rows,
  type Field,
  type NumberField,
  type FoamField,
  foamOfField,
  type Need,
  type ParamsOf,
  type RowsField,
  type ScalarField,
} from './field';
export { changeName, type Labels } from './changeName';
export { type Lift, type LiftedKind, liftedParams } from './lift';
export { mergeDocs, type Merged } from './merge';
export { share } from './share';
export { firstParts } from './firstParts';
export { differences, editPart, featureIdsOf, inVersion, type VersionScope } from './version';
export { knownLength, standingIn } from './knownLength';
export {
  bareScheme,
  keptSchemeRule,
  type KeptScheme,
  type Coat,
  type PaintedArea,
  type Scheme,
  schemeRule,
  type SurfaceLook,
  surfaceLooks,
  type WornLook,
} from './parts/scheme';
