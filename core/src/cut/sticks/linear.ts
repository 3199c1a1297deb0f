import { itemAt } from '../../units';
/** A way to cut one stick: how many of each length. */
export type Pattern = number[];

export interface Relaxed {
  patterns: Pattern[];
  /** Sticks cut by each, not whole numbers. */
  use: number[];
  /** No cutting plan takes fewer sticks than this. */
  sticks: number;
}

const EPSILON = 1e-7;
const MOST_ROUNDS = 600;

/** The inverse of a square matrix by elimination with row exchange; none when it is singular. */
function inverse(matrix: readonly number[][]): number[][] | undefined {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, k) => (k === i ? 1 : 0))]);
  for (let c = 0; c < n; c++) {
    let best = c;
    for (let r = c + 1; r < n; r++)
      if (Math.abs(itemAt(itemAt(rows, r), c)) > Math.abs(itemAt(itemAt(rows, best), c))) best = r;
    if (Math.abs(itemAt(itemAt(rows, best), c)) < 1e-12) return undefined;
    [rows[c], rows[best]] = [itemAt(rows, best), itemAt(rows, c)];
    const by = itemAt(itemAt(rows, c), c);
    for (let k = 0; k < 2 * n; k++) itemAt(rows, c)[k]! /= by;
    for (let r = 0; r < n; r++) {
      const f = itemAt(itemAt(rows, r), c);
      if (r === c || f === 0) continue;
      for (let k = 0; k < 2 * n; k++) itemAt(rows, r)[k]! -= f * itemAt(itemAt(rows, c), k);
    }
  }
  return rows.map((row) => row.slice(n));
}

/** The pattern worth most at given prices, no more of a length than is wanted (knapsack by dynamic programming). */
function worthiest(
  lengths: readonly number[],
  wanted: readonly number[],
  prices: readonly number[],
  room: number,
): Pattern {
  const worth = new Float64Array(room + 1);
  const taken = lengths.map(() => new Uint16Array(room + 1));
  lengths.forEach((size, i) => {
    const price = itemAt(prices, i);
    const count = itemAt(taken, i);
    if (price <= EPSILON) return;
    const before = worth.slice();
    for (let r = size; r <= room; r++) {
      for (let n = 1; n <= itemAt(wanted, i) && n * size <= r; n++) {
        const value = itemAt(before, r - n * size) + n * price;
        if (value > itemAt(worth, r) + 1e-12) {
          worth[r] = value;
          count[r] = n;
        }
      }
    }
  });
  const pattern: Pattern = lengths.map(() => 0);
  let left = room;
  for (let i = lengths.length - 1; i >= 0; i--) {
    pattern[i] = itemAt(itemAt(taken, i), left);
    left -= itemAt(pattern, i) * itemAt(lengths, i);
  }
  return pattern;
}

/**
 * The cutting plan with parts of sticks allowed, by column generation (Gilmore and Gomory, A linear programming approach
 * to the cutting-stock problem, 1961). Lengths are whole units, none longer than the room of a stick.
 */
export function relaxed(lengths: readonly number[], wanted: readonly number[], room: number): Relaxed {
  const n = lengths.length;
  const basis: Pattern[] = lengths.map((size, i) =>
    lengths.map((_, k) => (k === i ? Math.max(1, Math.min(itemAt(wanted, i), Math.floor(room / size))) : 0)),
  );
  let use: number[] = [];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const columns = lengths.map((_, r) => basis.map((p) => itemAt(p, r)));
    const back = inverse(columns);
    if (!back) break;
    use = back.map((row) => row.reduce((sum, v, k) => sum + v * itemAt(wanted, k), 0));
    const prices = lengths.map((_, k) => back.reduce((sum, row) => sum + itemAt(row, k), 0));
    const next = worthiest(lengths, wanted, prices, room);
    const value = next.reduce((sum, c, k) => sum + c * itemAt(prices, k), 0);
    if (value <= 1 + EPSILON) break;
    const step = back.map((row) => row.reduce((sum, v, k) => sum + v * itemAt(next, k), 0));
    let out = -1;
    for (let i = 0; i < n; i++)
      if (
        itemAt(step, i) > EPSILON &&
        (out < 0 || itemAt(use, i) / itemAt(step, i) < itemAt(use, out) / itemAt(step, out) - 1e-12)
      )
        out = i;
    if (out < 0) break;
    basis[out] = next;
  }
  return { patterns: basis, use, sticks: use.reduce((sum, x) => sum + x, 0) };
}
