export { type Branch, stringFlow } from './branch';
export { type Junction, junctionOf, junctionVolts } from './diode';
export { type Operating, solveNetwork, type Working } from './solve';
