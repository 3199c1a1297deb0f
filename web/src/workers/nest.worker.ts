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
import type { FoamProgress } from './nestProgress';

const TELL_MS = 250;

/** Seeds of searches at once are so far apart. */
const APART = 1000;

const api = {
  /** One piece moved by hand. */
  move: (
    group: SheetGroup,
    sheets: readonly Sheet[],
    move: HandMove,
    spacingMm: number,
  ): Sheet[] | undefined => movedByHand(sheets, group.items, group.size, move, spacingMm),
  /**
   * Nests every group in turn, a move at a time, and tells how it goes until it is stopped from outside.
   * @param search which of several at once: each looks elsewhere.
   */
  run: (
    groups: SheetGroup[],
    spacingMm: number,
    kept: readonly Nest[],
    search: number,
    tell: (progress: FoamProgress[]) => void,
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
        (nest ? 2 + nest.sheets.length : 1) + APART * search,
        (nest && keptSheets(nest, items, size)) ?? lockedSheets(kept, items, size, spacingMm),
      );
      return {
        key,
        steps,
        sheetMm2: size.widthMm * size.heightMm,
        now: undefined as Nested | undefined,
        done: false,
      };
    });
    const progress = (): FoamProgress[] =>
      runs.flatMap((r) => (r.now ? [progressOf(r.key, r.sheetMm2, r.now)] : []));
    let reported = 0;
    while (runs.some((r) => !r.done)) {
      for (const r of runs) {
        const { value, done } = r.steps.next();
        if (value) r.now = value;
        if (done) r.done = true;
      }
      if (performance.now() - reported < TELL_MS) continue;
      reported = performance.now();
      tell(progress());
    }
    tell(progress());
  },
};

const progressOf = (
  key: string,
  sheetMm2: number,
  { tries, sheets, lastMm, leastSheets, used, packed }: Nested,
): FoamProgress => ({
  ...{ sheetMm2, tries, sheets, lastMm, leastSheets, used },
  ...(packed.tooBig.length === 0 && sheets > 0 && { nest: keepNest(key, packed.sheets) }),
});

export type NestWorker = typeof api;
expose(api);
