import { itemAt } from '../../units';
import { type Pattern, worthiest } from './knapsack';

export interface Relaxed {
  patterns: Pattern[];
  /** Sticks cut by each, not whole numbers. */
  use: number[];
  /** No cutting plan takes fewer sticks than this, however far the relaxed plan came. */
  sticks: number;
}

const EPSILON = 1e-7;
const MOST_ROUNDS = 2000;

/** The relaxed plan's basis: one pattern for each length, and the inverse of their matrix, brought up to date by every exchange. */
interface Basis {
  patterns: Pattern[];
  /** Row i: how much of pattern i a length is worth. */
  back: Float64Array[];
  use: Float64Array;
}

/** Every length from sticks of its own. */
function alone(lengths: readonly number[], wanted: readonly number[], room: number): Basis {
  const times = lengths.map((size, i) => Math.max(1, Math.min(itemAt(wanted, i), Math.floor(room / size))));
  return {
    patterns: lengths.map((_, i) => lengths.map((_, k) => (k === i ? itemAt(times, i) : 0))),
    back: lengths.map((_, i) => {
      const row = new Float64Array(lengths.length);
      row[i] = 1 / itemAt(times, i);
      return row;
    }),
    use: Float64Array.from(wanted, (w, i) => w / itemAt(times, i)),
  };
}

/** Takes a pattern into the basis for the one that is used up first; false where none is. */
function exchange({ patterns, back, use }: Basis, next: Pattern): boolean {
  const step = back.map((row) => next.reduce((sum, n, k) => (n === 0 ? sum : sum + row[k]! * n), 0));
  let out = -1;
  step.forEach((s, i) => {
    if (s > EPSILON && (out < 0 || use[i]! / s < use[out]! / itemAt(step, out) - 1e-12)) out = i;
  });
  if (out < 0) return false;
  const by = itemAt(step, out);
  const row = itemAt(back, out);
  for (let k = 0; k < row.length; k++) row[k]! /= by;
  use[out]! /= by;
  step.forEach((s, i) => {
    if (i === out || s === 0) return;
    const other = itemAt(back, i);
    for (let k = 0; k < row.length; k++) other[k]! -= s * row[k]!;
    use[i] = Math.max(0, use[i]! - s * use[out]!);
  });
  patterns[out] = next;
  return true;
}

const valueOf = (pattern: Pattern, prices: Float64Array): number =>
  pattern.reduce((sum, n, k) => (n === 0 ? sum : sum + n * prices[k]!), 0);

/**
 * The cutting plan with parts of sticks allowed, by column generation (Gilmore and Gomory, A linear programming approach
 * to the cutting-stock problem, 1961). Lengths are whole units, none longer than the room of a stick, each wanted at
 * least once.
 * @param known patterns found before, tried before new ones are looked for; new ones are added to it.
 */
export function relaxed(
  lengths: readonly number[],
  wanted: readonly number[],
  room: number,
  known: Pattern[] = [],
): Relaxed {
  const basis = alone(lengths, wanted, room);
  const fitting = known.filter((p) => p.every((n, k) => n <= itemAt(wanted, k)));
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const prices = pricesIn(basis);
    let next: Pattern | undefined;
    let worth = 1 + EPSILON;
    for (const pattern of fitting) {
      const value = valueOf(pattern, prices);
      if (value > worth) [next, worth] = [pattern, value];
    }
    if (!next) {
      const found = worthiest(lengths, wanted, [...prices], room);
      if (valueOf(found, prices) > 1 + EPSILON) {
        next = found;
        known.push(found);
        fitting.push(found);
      }
    }
    if (!next || !exchange(basis, next)) break;
  }
  return {
    patterns: basis.patterns,
    use: [...basis.use],
    sticks: leastBy(pricesIn(basis), lengths, wanted, room),
  };
}

/** What one more of each length costs, in sticks. */
function pricesIn({ back }: Basis): Float64Array {
  const prices = new Float64Array(back.length);
  for (const row of back) for (let k = 0; k < prices.length; k++) prices[k]! += row[k]!;
  return prices;
}

/**
 * Sticks that every plan takes, by any prices: what is wanted is worth so much, and no stick gives more than the
 * worthiest (Farley, A note on bounding a class of linear programming problems, 1990). Holds whatever rounding did to
 * the basis, and before the relaxed plan is the best.
 */
function leastBy(
  prices: Float64Array,
  lengths: readonly number[],
  wanted: readonly number[],
  room: number,
): number {
  const paid = prices.map((p) => Math.max(0, p));
  const worth = wanted.reduce((sum, n, k) => sum + n * paid[k]!, 0);
  return worth / Math.max(1, valueOf(worthiest(lengths, wanted, [...paid], room), paid));
}
