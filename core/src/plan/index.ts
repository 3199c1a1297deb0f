export { batched } from './batched';
export { assembliesOf, partLetters, withLetters } from './assemblies';
export { shopping, type CostLine } from './cost';
export { calendarOf, DAY, loudHours, type Calendar } from './calendar';
export { floats, type Float } from './criticalPath';
export { enoughHours } from './enoughHours';
export { schedule, scheduleTime, wallMinute, type Schedule, type Slot } from './schedule';
export { workFactor, workKinds, type WorkKind } from './workKinds';
export { handlesPieces, type Step, type StepAbout } from './step';
export { isRenewed } from './thereAlready';
export { toMake } from './toMake';
export { buildSteps, stepTime } from './steps';
export {
  atShopPace,
  readiness,
  simulated,
  spreadsOf,
  type Planned,
  type Readiness,
  type Spreads,
} from './readiness';
export { compared, readingOf, readId, readOff, tookId, type Compared } from './compared';
export { partCosts, type PartCost } from './partCosts';
export { spentOf } from './spent';
export { type ByDay, hoursOverTime, moneyOverTime } from './overTime';
export { toolHours, type ToolUse } from './tools';
export { mockUpId } from './shellSteps';
