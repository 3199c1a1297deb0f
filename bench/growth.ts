import { createDeriver } from '@fomrik/core/report';
import { applyChanges, type BuildDoc } from '@fomrik/core/document';

/** Milliseconds that a build of so many parts takes. */
export interface Grown {
  parts: number;
  coarseMs: number;
  editMs: number;
  renameMs: number;
}

/** Parts of a build over and over, no two alike, without circuits. */
export const crowdOf = (doc: BuildDoc, count: number): BuildDoc => ({
  ...doc,
  circuits: [],
  parts: Array.from({ length: count }, (_, i) => {
    const part = doc.parts[i % doc.parts.length]!;
    const params = { ...part.params, ...('easeMm' in part.params && { easeMm: 15 + i / 10 }) };
    return { ...part, id: `${part.id}-${i}`, params, features: [] };
  }),
});

const took = (job: () => unknown): number => {
  const begun = performance.now();
  job();
  return performance.now() - begun;
};

const middle = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

/** A build of so many parts: all of it coarsely, then an edit of one part, then a rename; medians of five. */
export function grown(doc: BuildDoc, parts: number): Grown {
  const crowd = crowdOf(doc, parts);
  const deriver = createDeriver();
  const coarse = { coarse: true, goOn: () => false };
  const coarseMs = took(() => deriver(crowd, coarse));
  const edits = [1, 2, 3, 4, 5].map((n) =>
    took(() =>
      deriver(applyChanges(crowd, [{ path: ['parts', 1, 'params', 'easeMm'], value: 9 + n }]), coarse),
    ),
  );
  deriver(crowd, coarse);
  const renames = [1, 2, 3, 4, 5].map((n) =>
    took(() => deriver(applyChanges(crowd, [{ path: ['name'], value: `Build ${n}` }]), coarse)),
  );
  return { parts, coarseMs, editMs: middle(edits), renameMs: middle(renames) };
}

/** The power that a time grows with, from one size to the next. */
export const power = (a: Grown, b: Grown, of: (g: Grown) => number): number =>
  Math.log(of(b) / of(a)) / Math.log(b.parts / a.parts);
