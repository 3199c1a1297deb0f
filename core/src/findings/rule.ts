import type { BracerPart, BuildDoc, Part } from '../build/document';
import type { PartReport, Report } from '../build/report';
import type { LimbFit } from '../forms/limbFit';
import type { Catalogue } from '../materials/catalogue';
import type { Change, Finding } from './finding';

export interface BuildContext {
  doc: BuildDoc;
  report: Omit<Report, 'findings'>;
  catalogue: Catalogue;
}

export interface PartContext<P extends Part = Part> extends BuildContext {
  part: P;
  made: PartReport;
  index: number;
}

/** A rule looks at one part or at the whole build and says what it noticed. */
export type PartRule = (context: PartContext) => Finding[];
/** A rule of shells on the forearm. */
export type BracerRule = (
  context: PartContext<BracerPart> & { made: PartReport & { fit: LimbFit } },
) => Finding[];
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
