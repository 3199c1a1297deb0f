import type { Lying, NoFits } from './noFit';
import type { Placed, Table } from './lay';
import type { Way } from './ways';

/** Lying over what stays, or over the edge of an offcut, costs more than any overlap of pieces. */
const NEVER = 1 << 22;

/** Ways a piece is tried in, in one move. */
const WAYS = 8;

const lyingOf = ({ ways, way, column, row }: Placed): Lying => ({ cells: ways[way]!.cells, column, row });

/** Whether two solids share a cell. */
function overlap(a: Lying, b: Lying, noFits: NoFits): boolean {
  const [still, moving] = [a.cells, b.cells];
  const [across, up] = [b.column - a.column, b.row - a.row];
  if (across >= still.columns || up >= still.rows || -across >= moving.columns || -up >= moving.rows)
    return false;
  const { column, row, starts, runs } = noFits.of(still, moving);
  const at = across - column;
  for (let i = starts[at]!; i < starts[at + 1]!; i += 2)
    if (up - row >= runs[i]! && up - row < runs[i + 1]!) return true;
  return false;
}

/** A spot on a table and what lies in the way there. */
interface Spot {
  column: number;
  row: number;
  cost: number;
}

/** Kept from one look to the next: how the cost changes from row to row. */
let change = new Int32Array(0);

/**
 * The spot of a piece on a table at which least is in the way: of those alike the first, from a column on and round.
 * Nothing where it has no room at all.
 */
function leastOn(
  table: Table,
  others: readonly { lying: Lying; weight: number }[],
  { cells: own }: Way,
  noFits: NoFits,
  begin: number,
): Spot | undefined {
  const columns = table.columns - own.columns + 1;
  const rows = table.rows - own.rows + 1;
  if (columns <= 0 || rows <= 0) return undefined;
  const tall = rows + 1;
  if (change.length < columns * tall) change = new Int32Array(columns * tall);
  else change.fill(0, 0, columns * tall);
  const add = ({ cells, column, row }: Lying, weight: number): void => {
    const { starts, runs, ...region } = noFits.of(cells, own);
    const [left, low] = [column + region.column, row + region.row];
    const last = Math.min(region.columns, columns - left);
    for (let c = Math.max(0, -left); c < last; c++) {
      const base = (left + c) * tall;
      for (let i = starts[c]!; i < starts[c + 1]!; i += 2) {
        const from = Math.max(0, low + runs[i]!);
        const to = Math.min(rows, low + runs[i + 1]!);
        if (from >= to) continue;
        change[base + from]! += weight;
        change[base + to]! -= weight;
      }
    }
  };
  for (const lying of table.lying) add(lying, NEVER);
  for (const { lying, weight } of others) add(lying, weight);
  const best: Spot = { column: 0, row: 0, cost: Infinity };
  for (let c = 0; c < columns; c++) {
    const column = (begin + c) % columns;
    let cost = 0;
    for (let row = 0, at = column * tall; row < rows; row++, at++) {
      cost += change[at]!;
      if (cost < best.cost) [best.cost, best.column, best.row] = [cost, column, row];
    }
    if (best.cost === 0) break;
  }
  return best;
}

/**
 * Pieces pressed into less room, a move at a time: whichever is in the way goes where it is least in the way, and what
 * goes on being in each other's way weighs more and more (guided local search; Voudouris and Tsang, 1999; on layouts,
 * Egeblad, Nielsen and Odgaard, 2007; here on a raster, with overlap yes or no).
 * @param tables the room, in which `start` need not fit.
 * @returns the pieces where none is in the way of another; nothing after so many moves.
 */
export function* squeezed(
  start: readonly Placed[],
  tables: readonly Table[],
  noFits: NoFits,
  random: () => number,
  moves: number,
): Generator<void, Placed[] | undefined> {
  const placed = start.map((p) => ({ ...p }));
  const n = placed.length;
  const weights = new Int32Array(n * n).fill(1);
  const meets = new Uint8Array(n * n);
  const isOut = (p: Placed): boolean => {
    const table = tables[p.table];
    const { cells } = p.ways[p.way]!;
    return (
      !table ||
      p.column + cells.columns > table.columns ||
      p.row + cells.rows > table.rows ||
      table.lying.some((l) => overlap(l, lyingOf(p), noFits))
    );
  };
  const out = placed.map(isOut);
  const look = (i: number): void => {
    for (let j = 0; j < n; j++) {
      const [a, b] = [placed[i]!, placed[j]!];
      const meet = i !== j && a.table === b.table && overlap(lyingOf(a), lyingOf(b), noFits) ? 1 : 0;
      meets[i * n + j] = meets[j * n + i] = meet;
    }
  };
  for (let i = 0; i < n; i++) look(i);
  const inTheWay = (): number[] =>
    placed.flatMap((_, i) => (out[i] || meets.subarray(i * n, (i + 1) * n).includes(1) ? [i] : []));
  /** Where a piece is least in the way, on every table, in the way it lies and some others by chance. */
  const leastInTheWay = (i: number): (Spot & { table: number; way: number }) | undefined => {
    const { ways, way: own } = placed[i]!;
    const tried = new Set([own]);
    while (tried.size < Math.min(WAYS, ways.length)) tried.add(Math.floor(random() * ways.length));
    let best: (Spot & { table: number; way: number }) | undefined;
    const first = Math.floor(random() * tables.length);
    for (let k = 0; k < tables.length && best?.cost !== 0; k++) {
      const table = (first + k) % tables.length;
      const others = placed.flatMap((p, j) =>
        j !== i && p.table === table && !out[j] ? [{ lying: lyingOf(p), weight: weights[i * n + j]! }] : [],
      );
      for (const way of tried) {
        const begin = Math.floor(random() * tables[table]!.columns);
        const spot = leastOn(tables[table]!, others, ways[way]!, noFits, begin);
        if (spot && (!best || spot.cost < best.cost)) best = { ...spot, table, way };
        if (best?.cost === 0) break;
      }
    }
    return best;
  };
  for (let move = 0; move < moves; move++) {
    const some = inTheWay();
    if (some.length === 0) return placed;
    const i = some[Math.floor(random() * some.length)]!;
    const best = leastInTheWay(i);
    if (!best || best.cost >= NEVER) {
      // None of the ways that were tried has room; others may.
      yield;
      continue;
    }
    const { table, way, column, row } = best;
    placed[i] = { ...placed[i]!, table, way, column, row };
    out[i] = false;
    look(i);
    for (let j = 0; j < n; j++)
      if (meets[i * n + j]) weights[i * n + j] = weights[j * n + i] = weights[i * n + j]! + 1;
    yield;
  }
  return undefined;
}
