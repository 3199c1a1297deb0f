import { fail, ok, type Result, itemAt } from '../../units';
import { type Branch, flowOf } from './branch';

/** A branch as it works: volts across it, current through it, watts it takes; a source that feeds takes less than none. */
export interface Working {
  id: string;
  volts: number;
  amps: number;
  watts: number;
}

export interface Operating {
  /** Volts of every node above node 0. */
  nodeVolts: number[];
  branches: Working[];
}

const ROUNDS = 200;
/**
 * Nodes that move less than this are found, volts: the next round would move them by its square. Beside wires of next to
 * no resistance rounding alone moves them by nearly a nanovolt.
 */
const SETTLED_V = 1e-8;
/** No node moves further in one round, so that curves are followed and not jumped over; volts. */
const STEP_V = 2;

/** Gaussian elimination with partial pivoting, in place; the last column is the right-hand side. */
function eliminate(rows: Float64Array[], n: number): Float64Array | undefined {
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++)
      if (Math.abs(itemAt(itemAt(rows, i), k)) > Math.abs(itemAt(itemAt(rows, pivot), k))) pivot = i;
    if (Math.abs(itemAt(itemAt(rows, pivot), k)) < 1e-18) return undefined;
    [rows[k], rows[pivot]] = [itemAt(rows, pivot), itemAt(rows, k)];
    const top = itemAt(rows, k);
    for (let i = k + 1; i < n; i++) {
      const row = itemAt(rows, i);
      const by = itemAt(row, k) / itemAt(top, k);
      if (by === 0) continue;
      for (let j = k; j <= n; j++) row[j]! -= by * itemAt(top, j);
    }
  }
  const x = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    const row = itemAt(rows, i);
    let sum = itemAt(row, n);
    for (let j = i + 1; j < n; j++) sum -= itemAt(row, j) * itemAt(x, j);
    x[i] = sum / itemAt(row, i);
  }
  return x;
}

/**
 * The operating point of a network by nodal analysis: currents into every node sum to nothing, curves followed by
 * Newton's method (modified nodal analysis, circuit theory textbooks).
 * @returns node volts and every branch, or why there is none.
 */
export function solveNetwork(branches: readonly Branch[]): Result<Operating> {
  const nodes = 1 + Math.max(0, ...branches.flatMap((b) => [b.a, b.b]));
  const n = nodes - 1;
  const volts = new Float64Array(nodes);
  // A node with nothing to ground is held by a leak.
  const LEAK = 1e-12;
  for (let round = 0; round < ROUNDS; round++) {
    const rows = Array.from({ length: n }, (_, i) => {
      const row = new Float64Array(n + 1);
      row[i] = LEAK;
      return row;
    });
    for (const branch of branches) {
      const across = itemAt(volts, branch.a) - itemAt(volts, branch.b);
      const { amps, slope } = flowOf(branch, across);
      const rest = amps - slope * across;
      const [a, b] = [branch.a - 1, branch.b - 1];
      if (a >= 0) {
        itemAt(rows, a)[a]! += slope;
        itemAt(rows, a)[n]! -= rest;
        if (b >= 0) itemAt(rows, a)[b]! -= slope;
      }
      if (b >= 0) {
        itemAt(rows, b)[b]! += slope;
        itemAt(rows, b)[n]! += rest;
        if (a >= 0) itemAt(rows, b)[a]! -= slope;
      }
    }
    const next = eliminate(rows, n);
    if (!next) return fail('The circuit has a part that is joined to nothing.');
    let moved = 0;
    for (let i = 0; i < n; i++) {
      const by = itemAt(next, i) - itemAt(volts, i + 1);
      moved = Math.max(moved, Math.abs(by));
      volts[i + 1]! += Math.max(-STEP_V, Math.min(STEP_V, by));
    }
    if (moved < SETTLED_V)
      return ok({
        nodeVolts: [...volts],
        branches: branches.map((branch) => {
          const across = itemAt(volts, branch.a) - itemAt(volts, branch.b);
          const { amps } = flowOf(branch, across);
          return { id: branch.id, volts: across, amps, watts: across * amps };
        }),
      });
  }
  return fail('The circuit settles on no working point.');
}
