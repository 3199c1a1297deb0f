import type { BuildDoc } from '../../document';
import { createDeriver } from '../derive';
import type { Report } from '../report';

const known = new WeakMap<BuildDoc, Report>();
const derivers = new Map<string, ReturnType<typeof createDeriver>>();

/** The whole report of a build, worked out once for every test that asks of it; its changes are worked out by what changed. */
export function reportOf(doc: BuildDoc): Report {
  const before = known.get(doc);
  if (before) return before;
  const deriver = derivers.get(doc.name) ?? createDeriver();
  derivers.set(doc.name, deriver);
  const report = deriver(doc);
  known.set(doc, report);
  return report;
}
