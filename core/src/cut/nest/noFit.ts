import { type Cells, noCells, runsOf, takeRun } from './raster';

/**
 * Where a moving piece may not lie beside one that lies still: the no-fit region in cells. Its first cell is the moving
 * one's corner at `column`, `row` from the still one's. Runs of column `c` are `runs[starts[c]]`, up to, from, up to …
 */
export interface NoFit {
  column: number;
  row: number;
  columns: number;
  rows: number;
  starts: Int32Array;
  runs: Int32Array;
}

const remembered = new WeakMap<Cells, number[][]>();

function runsIn(cells: Cells): number[][] {
  let runs = remembered.get(cells);
  if (!runs) remembered.set(cells, (runs = runsOf(cells)));
  return runs;
}

/** Kept from one region to the next: where pairs of cells begin and cease to meet, and the runs that makes. */
let begun = new Int32Array(0);
const found: number[] = [];

/** Every shift at which some cell of the one is some cell of the other (their Minkowski difference, run by run). */
export function noFitOf(still: Cells, moving: Cells): NoFit {
  const [columns, high] = [still.columns + moving.columns - 1, still.rows + moving.rows - 1];
  const [a, b] = [runsIn(still), runsIn(moving)];
  const [right, up] = [moving.columns - 1, moving.rows - 1];
  const rows = high + 1;
  if (begun.length < columns * rows) begun = new Int32Array(columns * rows);
  else begun.fill(0, 0, columns * rows);
  // How many pairs of cells meet begins and ends with the runs: one more where one begins, one fewer where it ends.
  for (let ca = 0; ca < a.length; ca++)
    for (let cb = 0; cb < b.length; cb++) {
      const own = a[ca]!;
      const others = b[cb]!;
      const base = (ca - cb + right) * rows;
      for (let i = 0; i < own.length; i += 2)
        for (let k = 0; k < others.length; k += 2) {
          begun[base + own[i]! - others[k + 1]! + 1 + up]! += 1;
          begun[base + own[i + 1]! - others[k]! + up]! -= 1;
        }
    }
  const starts = new Int32Array(columns + 1);
  found.length = 0;
  for (let column = 0; column < columns; column++) {
    starts[column] = found.length;
    let open = 0;
    for (let row = 0, from = 0; row < rows; row++) {
      const change = begun[column * rows + row]!;
      if (change === 0) continue;
      if (open === 0) from = row;
      open += change;
      if (open === 0) found.push(from, row);
    }
  }
  starts[columns] = found.length;
  return { column: -right, row: -up, columns, rows: high, starts, runs: Int32Array.from(found) };
}

/** The same pair with the other one moving: all turned about. */
function mirrored({ column, row, columns, rows, starts, runs }: NoFit): NoFit {
  const last = runs.length;
  return {
    column: -(column + columns - 1),
    row: -(row + rows - 1),
    columns,
    rows,
    starts: starts.map((_, c) => last - starts[columns - c]!),
    runs: runs.map((_, i) => rows - runs[last - 1 - i]!),
  };
}

const drawn = new WeakMap<NoFit, Cells>();

/** A no-fit region a bit for each cell. */
export function cellsIn(region: NoFit): Cells {
  let cells = drawn.get(region);
  if (cells) return cells;
  cells = noCells(region.columns, region.rows);
  for (let column = 0; column < region.columns; column++)
    for (let i = region.starts[column]!; i < region.starts[column + 1]!; i += 2)
      takeRun(cells, column, region.runs[i]!, region.runs[i + 1]!);
  drawn.set(region, cells);
  return cells;
}

/** How much of no-fit regions is remembered at once, in beginnings and ends of runs. */
const MOST_RUNS = 40_000_000;

/** No-fit regions, worked out once for each pair. */
export class NoFits {
  private known = new Map<Cells, Map<Cells, NoFit>>();
  private runs = 0;

  of(still: Cells, moving: Cells): NoFit {
    let own = this.known.get(still);
    let region = own?.get(moving);
    if (region) return region;
    const other = this.known.get(moving)?.get(still);
    region = other ? mirrored(other) : noFitOf(still, moving);
    this.runs += region.runs.length + region.starts.length;
    if (this.runs > MOST_RUNS) {
      this.known = new Map();
      this.runs = region.runs.length + region.starts.length;
      own = undefined;
    }
    if (!own) this.known.set(still, (own = new Map<Cells, NoFit>()));
    own.set(moving, region);
    return region;
  }
}

/** A solid that lies still on a sheet. */
export interface Lying {
  cells: Cells;
  column: number;
  row: number;
}

/** Ors a column of one region over another's words, moved up by rows, down when negative. */
function overlay(into: Uint32Array, from: Cells, column: number, up: number): void {
  const base = column * from.words;
  const off = up >> 5;
  const by = up & 31;
  for (let w = 0; w < from.words; w++) {
    const bits = from.bits[base + w]!;
    if (bits === 0) continue;
    const at = w + off;
    if (at >= 0 && at < into.length) into[at]! |= bits << by;
    if (by > 0 && at + 1 >= 0 && at + 1 < into.length) into[at + 1]! |= bits >>> (32 - by);
  }
}

/** The first row below `rows` that is free; nothing when all are taken. */
function firstFree(words: Uint32Array, rows: number): number | undefined {
  for (let w = 0; w << 5 < rows; w++) {
    const free = ~words[w]!;
    if (free === 0) continue;
    const row = (w << 5) + (31 - Math.clz32(free & -free));
    return row < rows ? row : undefined;
  }
  return undefined;
}

/**
 * The leftmost spot for a piece among others, lowest among those; its right end no further than `mostRight` columns.
 * @param columns, rows of the sheet.
 */
export function leftmost(
  columns: number,
  rows: number,
  lying: readonly Lying[],
  piece: Cells,
  noFits: NoFits,
  mostRight: number,
): { column: number; row: number } | undefined {
  const room = rows - piece.rows + 1;
  const last = Math.min(columns, mostRight) - piece.columns;
  if (room <= 0 || last < 0) return undefined;
  const regions = lying.map((l) => {
    const region = noFits.of(l.cells, piece);
    return { cells: cellsIn(region), column: l.column + region.column, row: l.row + region.row };
  });
  const taken = new Uint32Array((room + 31) >> 5);
  for (let column = 0; column <= last; column++) {
    taken.fill(0);
    for (const region of regions) {
      const own = column - region.column;
      if (own >= 0 && own < region.cells.columns) overlay(taken, region.cells, own, region.row);
    }
    const row = firstFree(taken, room);
    if (row !== undefined) return { column, row };
  }
  return undefined;
}
