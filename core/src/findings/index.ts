export { allFindings } from './allFindings';
export type { Finding } from './finding';
export type { Totals, Worked } from './worked';
