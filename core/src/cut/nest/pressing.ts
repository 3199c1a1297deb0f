import type { Placed, Table } from './lay';
import { leftmost, type NoFits } from './noFit';
import { squeezed } from './squeeze';

/** Moves for each piece before a pressing is given up; more and more where nothing comes of it. */
const MOVES = 12;
const MORE = 1.1;
const MOST_MOVES = 60;

/** Pairs that change places before a pressing is tried once more. */
const SHAKES = 2;

/** Some pairs of pieces at each other's spots. */
function shaken(placed: readonly Placed[], random: () => number): Placed[] {
  const next = [...placed];
  const any = (): number => Math.floor(random() * next.length);
  for (let k = 0; k < SHAKES; k++) {
    const [i, j] = [any(), any()];
    const [a, b] = [next[i]!, next[j]!];
    next[i] = { ...a, table: b.table, column: b.column, row: b.row };
    next[j] = { ...b, table: a.table, column: a.column, row: a.row };
  }
  return next;
}

const rightOf = (p: Placed): number => p.column + p.ways[p.way]!.cells.columns;

/** The last column that is used on a table, from its left. */
const usedOn = (placed: readonly Placed[], table: number): number =>
  Math.max(0, ...placed.filter((p) => p.table === table).map(rightOf));

/** Pieces pushed to the left one after another, the left ones first; as they were where one would end further right. */
export function pushed(
  placed: readonly Placed[],
  tables: readonly Table[],
  noFits: NoFits,
): readonly Placed[] {
  const lying = tables.map((t) => [...t.lying]);
  const next: Placed[] = [];
  for (const p of [...placed].sort((a, b) => a.column - b.column)) {
    const { columns, rows } = tables[p.table]!;
    const { cells } = p.ways[p.way]!;
    const spot = leftmost(columns, rows, lying[p.table]!, cells, noFits, columns);
    if (!spot) return placed;
    lying[p.table]!.push({ cells, ...spot });
    next.push({ ...p, ...spot });
  }
  return tables.every((_, t) => usedOn(next, t) <= usedOn(placed, t)) ? next : placed;
}

export interface Layout {
  tables: readonly Table[];
  placed: readonly Placed[];
}

/**
 * Pieces pressed into less and less of the last whole sheet, a move at a time, and none of it in the end.
 * @param stride taken off the last sheet at first, as a share of what is used of it.
 * @param fails so many pressings of one cell that come to nothing, one after another, are the end of it.
 * @returns each layout as it is found; in between, nothing.
 */
export function* pressing(
  start: Layout,
  noFits: NoFits,
  random: () => number,
  stride: number,
  fails: number,
): Generator<Layout | undefined, void> {
  let { tables, placed } = start;
  let step = Infinity;
  let moves = MOVES;
  for (let failed = 0; failed < fails;) {
    const last = tables.findLastIndex((t) => !t.sheet.offcut);
    if (last < 0) return;
    const used = usedOn(placed, last);
    // What is left of it is locked.
    if (used === 0) return;
    step = Math.min(step, Math.max(1, Math.round(stride * used)));
    const room = tables.map((t, i) => (i === last ? { ...t, columns: used - step } : t));
    const run = squeezed(
      failed > 0 ? shaken(placed, random) : placed,
      room,
      noFits,
      random,
      Math.round(moves) * placed.length,
    );
    let now = run.next();
    for (; !now.done; now = run.next()) yield undefined;
    if (now.value) {
      placed = now.value;
      if (!placed.some((p) => p.table === last) && tables[last]!.sheet.laid.length === 0)
        tables = tables.slice(0, last);
      failed = 0;
      moves = MOVES;
      yield { tables, placed };
    } else if (step > 1) step = Math.floor(step / 2);
    else {
      failed += 1;
      moves = Math.min(MOST_MOVES, moves * MORE);
    }
  }
}
