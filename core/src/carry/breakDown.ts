import { itemAt } from '../units';
/** Where a prop may not come apart: within a part that goes on over the stick. */
export type Taken = readonly [fromMm: number, toMm: number];

export interface BreakDown {
  /** Joints along the stick, from the foot. */
  atMm: number[];
  longestMm: number;
}

/** Nearest free place at or below a height. */
function freeBelow(mm: number, taken: readonly Taken[]): number {
  let at = mm;
  for (let moved = true; moved;) {
    moved = false;
    for (const [from, to] of taken)
      if (at > from && at < to) {
        at = from;
        moved = true;
      }
  }
  return at;
}

/** As few joints as keep every length within a limit, each as far on as it may be; none when a taken part is too long. */
function farthest(low: number, high: number, taken: readonly Taken[], limitMm: number): number[] | undefined {
  const joints: number[] = [];
  let from = low;
  while (high - from > limitMm + 1e-6) {
    const at = freeBelow(from + limitMm, taken);
    if (at <= from + 1) return undefined;
    joints.push(at);
    from = at;
  }
  return joints;
}

/**
 * Where to part a prop so that no length is over a limit: the fewest joints, and among those the shortest longest length.
 * Places within parts that go over the stick are left whole.
 * @returns nothing when no such joints exist.
 */
export function breakDown(
  lowMm: number,
  highMm: number,
  taken: readonly Taken[],
  limitMm: number,
): BreakDown | undefined {
  const fewest = farthest(lowMm, highMm, taken, limitMm);
  if (!fewest) return undefined;
  let best = fewest;
  let [short, long] = [(highMm - lowMm) / (fewest.length + 1), limitMm];
  for (let i = 0; i < 24; i++) {
    const middle = (short + long) / 2;
    const tried = farthest(lowMm, highMm, taken, middle);
    if (tried && tried.length <= fewest.length) {
      best = tried;
      long = middle;
    } else short = middle;
  }
  const ends = [lowMm, ...best, highMm];
  return { atMm: best, longestMm: Math.max(...ends.slice(1).map((e, i) => e - itemAt(ends, i))) };
}
