import { expect } from 'chai';
import fc from 'fast-check';
import { chance } from '../../units';
import type { ToLay } from '../sheets';
import type { Placed, Table } from './lay';
import { NoFits } from './noFit';
import { type Layout, pressing } from './pressing';
import { type Cells, isTaken, noCells, takeRun } from './raster';
import { squeezed } from './squeeze';

const tableOf = (columns: number, rows: number, offcut = false): Table => ({
  sheet: {
    foamId: 'f',
    nominalMm: 6,
    widthMm: columns,
    heightMm: rows,
    laid: [],
    ...(offcut && { offcut: { id: 'o', place: '', since: '', outline: [] } }),
  },
  columns,
  rows,
  lying: [],
});

const solid = (columns: number, rows: number): Cells => {
  const cells = noCells(columns, rows);
  for (let c = 0; c < columns; c++) takeRun(cells, c, 0, rows);
  return cells;
};

/** A board lying flat, and standing. */
const board = (columns: number, rows: number): Placed => ({
  item: {} as ToLay,
  ways: [solid(columns, rows), solid(rows, columns)].map((cells) => ({
    flipped: false,
    turnRad: 0,
    cells,
    minX: 0,
    minY: 0,
  })),
  way: 0,
  table: 0,
  column: 0,
  row: 0,
});

/** How often each cell of a table is covered, cell by cell; a piece over the edge throws. */
function covered(placed: readonly Placed[], tables: readonly Table[]): number[][][] {
  const counts = tables.map(({ columns, rows }) =>
    Array.from({ length: columns }, () => new Array<number>(rows).fill(0)),
  );
  for (const { ways, way, table, column, row } of placed) {
    const { cells } = ways[way]!;
    for (let c = 0; c < cells.columns; c++)
      for (let r = 0; r < cells.rows; r++)
        if (isTaken(cells, c, r)) {
          const at = counts[table]?.[column + c];
          if (at?.[row + r] === undefined) throw new Error('over the edge');
          at[row + r]! += 1;
        }
  }
  return counts;
}

const most = (counts: number[][][]): number => Math.max(0, ...counts.flat(2));

/** Runs a search to its end. */
function ended<T>(run: Generator<void, T>): T {
  let now = run.next();
  while (!now.done) now = run.next();
  return now.value;
}

/** A board parted by straight cuts, again and again. */
function parts(columns: number, rows: number, cuts: readonly number[]): [number, number][] {
  const all: [number, number][] = [[columns, rows]];
  for (const cut of cuts) {
    const k = all.reduce((best, [c, r], i) => (c * r > all[best]![0] * all[best]![1] ? i : best), 0);
    const [c, r] = all[k]!;
    const across = c >= r;
    const at = Math.max(1, Math.min((across ? c : r) - 1, Math.round(cut * (across ? c : r))));
    all.splice(k, 1, across ? [at, r] : [c, at], across ? [c - at, r] : [c, r - at]);
  }
  return all;
}

describe('pieces pressed into less room', () => {
  it('lie clear of each other and of the edge whenever they are said to, and mostly are', () => {
    let [solved, tried] = [0, 0];
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 0.7, noNaN: true }), { minLength: 3, maxLength: 7 }),
        fc.integer({ min: 1, max: 1e6 }),
        (cuts, seed) => {
          // The parts of a board of 24 × 20, all on one heap, into a board a tenth longer.
          const tables = [tableOf(27, 20)];
          const start = parts(24, 20, cuts).map(([c, r]) => board(c, r));
          const found = ended(squeezed(start, tables, new NoFits(), chance(seed), 400));
          tried += 1;
          if (!found) return;
          solved += 1;
          expect(found.map((p) => p.item)).to.have.length(start.length);
          expect(most(covered(found, tables))).to.equal(1);
        },
      ),
      { numRuns: 40 },
    );
    expect(solved).to.be.above(0.6 * tried);
  });

  it('keep off what stays where it is', () => {
    const table = tableOf(12, 10);
    table.lying.push({ cells: solid(4, 10), column: 4, row: 0 });
    const found = ended(squeezed([board(4, 10), board(4, 10)], [table], new NoFits(), chance(1), 50))!;
    expect(found.map((p) => p.column).sort((a, b) => a - b)).to.deep.equal([0, 8]);
    expect(ended(squeezed([board(5, 10)], [table], new NoFits(), chance(1), 50))).to.equal(undefined);
  });

  it('are pressed until the last sheet is empty where they go on fewer, and end there', () => {
    const start = [board(10, 10), board(8, 10), { ...board(6, 5), table: 1 }, { ...board(4, 5), table: 1 }];
    start[1]!.column = 10;
    const tables = [tableOf(24, 10), tableOf(24, 10)];
    let last: Layout = { tables, placed: start };
    for (const found of pressing(last, new NoFits(), chance(3), 0.08, 2)) if (found) last = found;
    expect(last.tables).to.have.length(1);
    expect(most(covered(last.placed, last.tables))).to.equal(1);
  });

  it('leave no sheet for an offcut alone', () => {
    const offcut = tableOf(10, 10, true);
    expect([
      ...pressing({ tables: [offcut], placed: [board(4, 4)] }, new NoFits(), chance(1), 0.08, 2),
    ]).to.deep.equal([]);
  });
});
