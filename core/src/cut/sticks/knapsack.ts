import { itemAt } from '../../units';

/** A way to cut one stick: how many of each length. */
export type Pattern = number[];

/** Prices below this are taken for none. */
const EPSILON = 1e-7;

/**
 * The pattern worth most at given prices, no more of a length than is wanted: a knapsack by dynamic programming.
 * @param room of a stick, in the whole units that lengths are counted in.
 */
export function worthiest(
  lengths: readonly number[],
  wanted: readonly number[],
  prices: readonly number[],
  room: number,
): Pattern {
  const worth = new Float64Array(room + 1);
  const taken = lengths.map(() => new Uint16Array(room + 1));
  const before = new Float64Array(room + 1);
  lengths.forEach((size, i) => {
    const price = itemAt(prices, i);
    const count = itemAt(taken, i);
    if (price <= EPSILON) return;
    const most = itemAt(wanted, i);
    before.set(worth);
    for (let r = size; r <= room; r++) {
      let best = before[r]!;
      let times = 0;
      for (let n = 1, left = r - size; n <= most && left >= 0; n++, left -= size) {
        const value = before[left]! + n * price;
        if (value > best + 1e-12) {
          best = value;
          times = n;
        }
      }
      worth[r] = best;
      count[r] = times;
    }
  });
  const pattern: Pattern = lengths.map(() => 0);
  let left = room;
  for (let i = lengths.length - 1; i >= 0; i--) {
    pattern[i] = itemAt(taken, i)[left]!;
    left -= itemAt(pattern, i) * itemAt(lengths, i);
  }
  return pattern;
}
