import { boundsOf, type Vec2 } from '../../geometry';

/** Cells of a sheet or of a piece, a bit each, column by column from the left; a column is so many words of 32 bits. */
export interface Cells {
  rows: number;
  columns: number;
  /** In one column. */
  words: number;
  bits: Uint32Array;
}

export const noCells = (columns: number, rows: number): Cells => {
  const words = Math.ceil(rows / 32);
  return { rows, columns, words, bits: new Uint32Array(columns * words) };
};

/** Takes the cells of a column from one row up to another, which is not taken. */
export function takeRun(cells: Cells, column: number, from: number, to: number): void {
  const base = column * cells.words;
  const [first, last] = [from >> 5, (to - 1) >> 5];
  for (let w = first; w <= last; w++) {
    const low = w === first ? from & 31 : 0;
    const high = w === last ? ((to - 1) & 31) + 1 : 32;
    const upTo = high === 32 ? 0xffffffff : (1 << high) - 1;
    cells.bits[base + w]! |= upTo & ~((1 << low) - 1);
  }
}

export const isTaken = (cells: Cells, column: number, row: number): boolean =>
  ((cells.bits[column * cells.words + (row >> 5)]! >>> (row & 31)) & 1) === 1;

/** What lies no further than this beside the frame is on its edge, in cells. */
const BESIDE = 1e-6;

/**
 * Every cell that rings touch, with nothing left out: cells whose column the inside (even-odd) crosses, and every cell
 * that an edge runs through. Two solids whose cells are apart are apart themselves.
 * @param rings outer ones and holes in any sense, mm; the lower left corner of `frame` is the first cell's.
 */
export function cellsOf(
  rings: readonly (readonly Vec2[])[],
  cellMm: number,
  frame: { minX: number; minY: number; maxX: number; maxY: number } = boundsOf(rings.flat()),
): Cells {
  const count = (mm: number): number => Math.max(1, Math.ceil(mm / cellMm - 1e-9));
  const cells = noCells(count(frame.maxX - frame.minX), count(frame.maxY - frame.minY));
  const inside = (v: number, most: number): number => Math.min(most - 1, Math.max(0, Math.floor(v)));
  /** From one height to another in a column, as far as it is within the frame. */
  const take = (column: number, a: number, b: number): void => {
    if (b < -BESIDE || a > cells.rows + BESIDE) return;
    takeRun(cells, column, inside(a, cells.rows), inside(b, cells.rows) + 1);
  };
  const crossings: number[][] = Array.from({ length: cells.columns }, () => []);
  for (const ring of rings)
    ring.forEach((from, i) => {
      const to = ring[(i + 1) % ring.length]!;
      const [left, right] = from.x <= to.x ? [from, to] : [to, from];
      const low = { x: (left.x - frame.minX) / cellMm, y: (left.y - frame.minY) / cellMm };
      const high = { x: (right.x - frame.minX) / cellMm, y: (right.y - frame.minY) / cellMm };
      if (high.x < -BESIDE || low.x > cells.columns + BESIDE) return;
      const steep = high.x - low.x < 1e-12;
      const yAt = (x: number): number => low.y + ((high.y - low.y) * (x - low.x)) / (high.x - low.x);
      const most = inside(high.x, cells.columns);
      for (let column = inside(low.x, cells.columns); column <= most; column++) {
        // What the edge covers in this column.
        const [a, b] = steep
          ? [low.y, high.y]
          : [yAt(Math.max(low.x, column)), yAt(Math.min(high.x, column + 1))];
        take(column, Math.min(a, b), Math.max(a, b));
        const x = column + 0.5;
        if (!steep && low.x <= x && x < high.x) crossings[column]!.push(yAt(x));
      }
    });
  crossings.forEach((found, column) => {
    found.sort((m, n) => m - n);
    for (let k = 0; k + 1 < found.length; k += 2) take(column, found[k]!, found[k + 1]!);
  });
  return cells;
}

/** Runs of taken cells in each column: from, up to, from, up to … */
export function runsOf(cells: Cells): number[][] {
  return Array.from({ length: cells.columns }, (_, column) => {
    const runs: number[] = [];
    for (let row = 0, before = false; row <= cells.rows; row++) {
      const now = row < cells.rows && isTaken(cells, column, row);
      if (now !== before) runs.push(row);
      before = now;
    }
    return runs;
  });
}
