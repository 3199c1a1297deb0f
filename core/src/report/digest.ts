import type { BuildDoc } from '../document';
import type { Report } from './report';

/** What of a report the shelf shows without opening a build. */
export interface Digest {
  stops: number;
  steps: number;
  done: number;
  daysToSpare: number;
  /** What is still to be bought, in the currency of the build. */
  cost?: number;
  /** A small picture of it in its finish: a PNG as a data URL. */
  picture?: string;
}

export const digestOf = (report: Report, doc: BuildDoc): Digest => ({
  stops: report.findings.filter((f) => f.severity === 'stop').length,
  steps: report.steps.length,
  done: report.steps.filter((s) => doc.make.done[s.id] !== undefined).length,
  daysToSpare: report.totals.daysToSpare,
  cost: Math.round(report.totals.cost * 100) / 100,
});
