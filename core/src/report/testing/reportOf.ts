import type { BuildDoc } from '../../document';
import { derive } from '../derive';
import type { Report } from '../report';

const known = new WeakMap<BuildDoc, Report>();

/** The whole report of a build, worked out once for every test that asks of the same one. */
export function reportOf(doc: BuildDoc): Report {
  const before = known.get(doc);
  if (before) return before;
  const report = derive(doc);
  known.set(doc, report);
  return report;
}
