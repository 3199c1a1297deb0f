export { applyChanges, type Change } from './change';
export { setting, type Check, type Cure, type Severity, type Station } from './check';
export {
  copiesOf,
  schemaVersion,
  type Beneath,
  type BuildDoc,
  type BuildFile,
  type Circuit,
  type CutPlan,
  type EdgeSpan,
  type Feature,
  type HandDart,
  type KeptPicture,
  type LogEntry,
  type Mount,
  type Nest,
  type PageSize,
  type PanelSpot,
  type Params,
  type Part,
  type PieceDarts,
  type Pin,
  type Place,
  type PlaceKind,
  type PartOtherwise,
  type Ply,
  type Row,
  type SetAside,
  type Side,
  type Value,
  type Version,
} from './document';
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
  type FoamField,
  type Need,
  type ParamsOf,
  type RowsField,
  type ScalarField,
} from './field';
export { share } from './share';
export { firstParts } from './firstParts';
export { differences, editPart, featureIdsOf, inVersion, type VersionScope } from './version';
export { knownLength } from './knownLength';
