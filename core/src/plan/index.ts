export { shopping, type CostLine } from './cost';
export { schedule, scheduleTime, type Schedule } from './schedule';
export type { Step } from './step';
export { buildSteps, stepTime } from './steps';
