export { allFindings } from './allFindings';
export type { Totals, Worked } from './worked';
