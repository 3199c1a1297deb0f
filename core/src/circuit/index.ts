export { circuitsOf, hoursOn, solveOn, type CircuitReport } from './circuits';
export { resistorRatedW } from './strings';
