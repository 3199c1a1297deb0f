export { circuitsOf, hoursOn, solveOn, takes, type CircuitReport } from './circuits';
export { packChoices, type PackChoice } from './comparison';
export { resistorRatedW } from './strings';
export type { WireRun } from './wire';
export { readsRight, testPoints, type TestPoint } from './testPoints';
