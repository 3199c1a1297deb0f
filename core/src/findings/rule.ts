import type { BuildDoc, Change, Part } from '../document';
import type { Around, PartReport } from '../parts';
import type { Finding } from '../document';
import type { Worked } from './worked';

export interface BuildContext {
  doc: BuildDoc;
  report: Worked;
  around: Around;
}

export interface PartContext extends BuildContext {
  part: Part;
  made: PartReport;
  index: number;
}

/** A rule looks at one part or at the whole build and says what it noticed. */
export type PartRule = (context: PartContext) => Finding[];
export type BuildRule = (context: BuildContext) => Finding[];

/** Changes that lead from a part, leading from the build. */
export const inPart = (index: number, changes: readonly Change[]): Change[] =>
  changes.map(({ path, value }) => ({ path: ['parts', index, ...path], value }));

/** The first finding, if the condition holds. */
export const when = (holds: boolean, finding: () => Finding): Finding[] => (holds ? [finding()] : []);
