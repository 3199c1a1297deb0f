export { assembliesOf, partLetters } from './assemblies';
export { shopping, type CostLine } from './cost';
export { schedule, scheduleTime, type Schedule } from './schedule';
export type { Step, StepAbout } from './step';
export { buildSteps, stepTime } from './steps';
