import type { Table } from './lay';
import type { Lying, NoFit, NoFits } from './noFit';
import type { Way } from './ways';

/** Lying over what stays, or over the edge of an offcut, costs more than any overlap of pieces. */
export const NEVER = 1 << 23;

/**
 * How deep one solid lies in another: rows up or down, or columns to the nearer end of their no-fit region, whichever
 * is fewer, after which they share no cell. Nothing where they share none now.
 */
export function depthOf(a: Lying, b: Lying, noFits: NoFits): number {
  const [still, moving] = [a.cells, b.cells];
  const [across, up] = [b.column - a.column, b.row - a.row];
  if (across >= still.columns || up >= still.rows || -across >= moving.columns || -up >= moving.rows)
    return 0;
  const { column, row, columns, starts, runs } = noFits.of(still, moving);
  const [at, own] = [across - column, up - row];
  for (let i = starts[at]!; i < starts[at + 1]!; i += 2)
    if (own >= runs[i]! && own < runs[i + 1]!)
      return Math.min(own - runs[i]! + 1, runs[i + 1]! - own, at + 1, columns - at);
  return 0;
}

/** Where the cost over each run of a no-fit region bends, four a run: up from its foot, level, down, and level again. */
interface Bends {
  deep: Int32Array;
  flat: Int32Array;
}

const known = new WeakMap<NoFit, Bends>();

function bendsOf(region: NoFit): Bends {
  let own = known.get(region);
  if (own) return own;
  const { starts, runs, columns } = region;
  own = { deep: new Int32Array(2 * runs.length), flat: new Int32Array(2 * runs.length) };
  known.set(region, own);
  for (let c = 0; c < columns; c++)
    for (let i = starts[c]!; i < starts[c + 1]!; i += 2) {
      const [from, to] = [runs[i]!, runs[i + 1]!];
      const deepest = Math.min(c + 1, columns - c, (to - from + 1) >> 1);
      const at = 2 * i;
      own.deep[at] = own.flat[at] = from;
      own.deep[at + 1] = from + deepest;
      own.deep[at + 2] = to - deepest + 1;
      own.flat[at + 1] = from + 1;
      own.flat[at + 2] = to;
      own.deep[at + 3] = own.flat[at + 3] = to + 1;
    }
  return own;
}

/** A spot on a table and what lies in the way there. */
export interface Spot {
  column: number;
  row: number;
  cost: number;
}

/** Kept from one look to the next: how the slope of the cost changes from row to row, and the cost below the first. */
let bends = new Int32Array(0);
let below = new Int32Array(0);

/** Adds to the cost what a lying solid makes of it: so much for each cell of depth, or however deep. */
function addTo(
  rows: number,
  columns: number,
  { column, row: foot }: Lying,
  region: NoFit,
  at: Int32Array,
  weight: number,
): void {
  const { starts } = region;
  const [left, low] = [column + region.column, foot + region.row];
  const last = Math.min(region.columns, columns - left);
  for (let c = Math.max(0, -left); c < last; c++) {
    const base = (left + c) * rows;
    for (let k = 2 * starts[c]!, end = 2 * starts[c + 1]!; k < end; k++) {
      const row = low + at[k]!;
      if (row >= rows) continue;
      // The second and third of every four take away.
      const by = (k & 3) === 1 || (k & 3) === 2 ? -weight : weight;
      if (row > 0) bends[base + row]! += by;
      else {
        bends[base]! += by;
        below[left + c]! -= row * by;
      }
    }
  }
}

/**
 * The spot of a piece on a table at which least is in the way, by how deep it lies in the others: of those alike the
 * first, from a column on and round. Nothing where it has no room at all.
 */
export function leastOn(
  table: Table,
  others: readonly { lying: Lying; weight: number }[],
  { cells: own }: Way,
  noFits: NoFits,
  begin: number,
): Spot | undefined {
  const columns = table.columns - own.columns + 1;
  const rows = table.rows - own.rows + 1;
  if (columns <= 0 || rows <= 0) return undefined;
  if (bends.length < columns * rows) bends = new Int32Array(columns * rows);
  else bends.fill(0, 0, columns * rows);
  if (below.length < columns) below = new Int32Array(columns);
  else below.fill(0, 0, columns);
  for (const lying of table.lying) {
    const region = noFits.of(lying.cells, own);
    addTo(rows, columns, lying, region, bendsOf(region).flat, NEVER);
  }
  for (const { lying, weight } of others) {
    const region = noFits.of(lying.cells, own);
    addTo(rows, columns, lying, region, bendsOf(region).deep, weight);
  }
  const best: Spot = { column: 0, row: 0, cost: Infinity };
  let least = NEVER;
  for (let c = 0; c < columns && least > 0; c++) {
    const column = (begin + c) % columns;
    let cost = below[column]!;
    let slope = 0;
    const base = column * rows;
    for (let row = 0; row < rows; row++) {
      slope = (slope + bends[base + row]!) | 0;
      cost = (cost + slope) | 0;
      if (cost < least) {
        least = cost;
        best.cost = cost;
        best.column = column;
        best.row = row;
      }
    }
  }
  return best;
}
