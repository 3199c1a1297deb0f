import { itemAt } from '../../units';
import type { Pattern } from './knapsack';
import { relaxed } from './linear';

/** Relaxed plans that are solved before it gives up. */
const MOST_NODES = 400;
/** Patterns that are tried in turn where a choice is made. */
const WIDTH = 3;

/**
 * A whole plan of so many sticks, by diving: a pattern of the relaxed plan is cut, what is still wanted is relaxed anew,
 * and a way is left as soon as its relaxed plan needs more sticks than there are; then the next best pattern is tried.
 * Source: branch and price with diving (Vanderbeck, 1999).
 * @returns patterns, one for each stick; none when it gives up, which does not prove that there is none.
 */
export function dive(
  lengths: readonly number[],
  wanted: readonly number[],
  room: number,
  most: number,
  known: Pattern[],
): Pattern[] | undefined {
  let nodes = 0;
  const go = (left: readonly number[], sticks: number): Pattern[] | undefined => {
    const kinds = left.flatMap((n, k) => (n > 0 ? [k] : []));
    if (kinds.length === 0) return [];
    if (sticks <= 0 || ++nodes > MOST_NODES) return undefined;
    const narrow = (p: Pattern): Pattern => kinds.map((k) => itemAt(p, k));
    const wide = (p: Pattern): Pattern => {
      const all = lengths.map(() => 0);
      p.forEach((n, i) => (all[itemAt(kinds, i)] = n));
      return all;
    };
    const inside = known.filter((p) => p.every((n, k) => n === 0 || itemAt(left, k) > 0));
    const pool = inside.map(narrow);
    const before = pool.length;
    const plan = relaxed(
      kinds.map((k) => itemAt(lengths, k)),
      kinds.map((k) => itemAt(left, k)),
      room,
      pool,
    );
    known.push(...pool.slice(before).map(wide));
    if (Math.ceil(plan.sticks - 1e-6) > sticks) return undefined;
    // Used most first; of those the one with the longest piece, which is hardest to place later.
    const order = plan.patterns
      .map((pattern, i) => ({ pattern, use: itemAt(plan.use, i) }))
      .filter(({ use }) => use > 1e-6)
      .sort((a, b) => Math.min(1, b.use) - Math.min(1, a.use) || longest(b.pattern) - longest(a.pattern));
    function longest(p: Pattern): number {
      return Math.max(...p.map((n, i) => (n > 0 ? itemAt(lengths, itemAt(kinds, i)) : 0)));
    }
    for (const { pattern, use } of order.slice(0, WIDTH)) {
      const cut = wide(pattern);
      const times = Math.max(1, Math.floor(use + 1e-6));
      const rest = left.map((n, k) => n - times * itemAt(cut, k));
      const found = go(rest, sticks - times);
      if (found) return [...Array.from({ length: times }, () => cut), ...found];
      if (nodes > MOST_NODES) return undefined;
    }
    return undefined;
  };
  return go(wanted, most);
}
