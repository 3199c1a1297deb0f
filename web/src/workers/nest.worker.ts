import {
  type HandMove,
  keepNest,
  keptSheets,
  lockedSheets,
  movedByHand,
  type Nested,
  nestKey,
  nesting,
  type Sheet,
  type SheetGroup,
} from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import { expose } from 'comlink';

/** How far all foams together have come. */
export interface NestProgress {
  tries: number;
  sheets: number;
  leastSheets: number;
  used: number;
  /** Ready to be kept. */
  nests: Nest[];
}

const TELL_MS = 250;

const api = {
  /** One piece moved by hand. */
  move: (
    group: SheetGroup,
    sheets: readonly Sheet[],
    move: HandMove,
    spacingMm: number,
  ): Sheet[] | undefined => movedByHand(sheets, group.items, group.size, move, spacingMm),
  /** Nests every group in turn, a try at a time, and tells how it goes until it is stopped from outside. */
  run: (
    groups: SheetGroup[],
    spacingMm: number,
    kept: readonly Nest[],
    tell: (progress: NestProgress) => void,
  ): void => {
    const runs = groups.map((group) => {
      const { items, size } = group;
      const key = nestKey(items, size, spacingMm);
      const nest = kept.find((n) => n.key === key);
      // Another seed looks elsewhere than the search that found what is kept.
      const steps = nesting(
        items,
        size,
        spacingMm,
        nest ? 2 + nest.sheets.length : 1,
        (nest && keptSheets(nest, items, size)) ?? lockedSheets(kept, items, size, spacingMm),
      );
      return {
        key,
        steps,
        areaMm2: group.size.widthMm * group.size.heightMm,
        now: undefined as Nested | undefined,
        done: false,
      };
    });
    let reported = 0;
    while (runs.some((r) => !r.done)) {
      for (const r of runs) {
        const { value, done } = r.steps.next();
        if (value) r.now = value;
        if (done) r.done = true;
      }
      if (performance.now() - reported < TELL_MS) continue;
      reported = performance.now();
      tell(progressOf(runs));
    }
    tell(progressOf(runs));
  },
};

function progressOf(
  runs: readonly { key: string; areaMm2: number; now: Nested | undefined }[],
): NestProgress {
  const known = runs.flatMap((r) => (r.now ? [{ ...r, now: r.now }] : []));
  const areaMm2 = known.reduce((sum, r) => sum + r.areaMm2 * r.now.sheets, 0);
  return {
    tries: known.reduce((sum, r) => sum + r.now.tries, 0),
    sheets: known.reduce((sum, r) => sum + r.now.sheets, 0),
    leastSheets: known.reduce((sum, r) => sum + r.now.leastSheets, 0),
    used:
      areaMm2 === 0 ? 0 : known.reduce((sum, r) => sum + r.now.used * r.areaMm2 * r.now.sheets, 0) / areaMm2,
    nests: known
      .filter((r) => r.now.packed.tooBig.length === 0 && r.now.sheets > 0)
      .map((r) => keepNest(r.key, r.now.packed.sheets)),
  };
}

export type NestWorker = typeof api;
expose(api);
