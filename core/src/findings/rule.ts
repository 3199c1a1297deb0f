import type { BuildDoc, Change, Part } from '../document';
import type { Context, PartReport } from '../parts';
import type { Finding } from '../document';
import type { Worked } from './worked';

export interface RuleInput {
  doc: BuildDoc;
  report: Worked;
  context: Context;
}

export interface PartRuleInput extends RuleInput {
  part: Part;
  made: PartReport;
  index: number;
}

/** A rule looks at one part or at the whole build and says what it noticed. */
export type PartRule = (input: PartRuleInput) => Finding[];
export type BuildRule = (input: RuleInput) => Finding[];

/** Changes that lead from a part, leading from the build. */
export const inPart = (index: number, changes: readonly Change[]): Change[] =>
  changes.map(({ path, value }) => ({ path: ['parts', index, ...path], value }));

/** The first finding, if the condition holds. */
export const when = (holds: boolean, finding: () => Finding): Finding[] => (holds ? [finding()] : []);
