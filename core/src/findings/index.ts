export { allFindings } from './allFindings';
export type { Finding, Remedy } from './finding';
export type { Totals, Worked } from './worked';
