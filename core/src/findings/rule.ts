import type { BuildDoc, Part } from '../build/document';
import type { PartReport, Report } from '../build/report';
import type { Catalogue } from '../materials/catalogue';
import type { Change, Finding } from './finding';

export interface BuildContext {
  doc: BuildDoc;
  report: Omit<Report, 'findings'>;
  catalogue: Catalogue;
}

export interface PartContext extends BuildContext {
  part: Part;
  made: PartReport;
  index: number;
}

/** A rule looks at one part or at the whole build and says what it noticed. */
export type PartRule = (context: PartContext) => Finding[];
export type BuildRule = (context: BuildContext) => Finding[];

export const setParam = ({ index }: PartContext, key: string, value: unknown): Change => ({
  path: ['parts', index, 'params', key],
  value,
});

export const setPart = ({ index }: PartContext, path: (string | number)[], value: unknown): Change => ({
  path: ['parts', index, ...path],
  value,
});

/** The first finding, if the condition holds. */
export const when = (holds: boolean, finding: () => Finding): Finding[] => (holds ? [finding()] : []);
