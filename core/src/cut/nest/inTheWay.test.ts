import { expect } from 'chai';
import fc from 'fast-check';
import { depthOf, leastOn } from './inTheWay';
import type { Table } from './lay';
import { NoFits } from './noFit';
import type { Cells } from './raster';
import { blob, meets } from './testing/blobs';

const COLUMNS = 16;
const ROWS = 48;

/** How deep a piece lies in another at a shift: rows either way, or columns past the whole of it, tried one by one. */
function deep(still: Cells, moving: Cells, dc: number, dr: number): number {
  if (!meets(still, moving, dc, dr)) return 0;
  const until = (by: number): number => {
    let n = 1;
    while (meets(still, moving, dc, dr + by * n)) n += 1;
    return n;
  };
  return Math.min(until(1), until(-1), dc + moving.columns, still.columns - dc);
}

const spot = fc.record({ column: fc.integer({ min: -3, max: 15 }), row: fc.integer({ min: -9, max: 47 }) });

describe('what lies in the way', () => {
  it('is as deep as shifts tried one by one say', () => {
    fc.assert(
      fc.property(blob, blob, spot, (still, moving, { column, row }) => {
        const reported = depthOf(
          { cells: still, column: 3, row: 5 },
          { cells: moving, column: column + 3, row: row + 5 },
          new NoFits(),
        );
        expect(reported).to.equal(deep(still, moving, column, row));
      }),
      { numRuns: 200 },
    );
  });

  it('is least where trying every spot finds the least, by weight and depth, and never over what stays', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(blob, spot, fc.integer({ min: 1, max: 50 })), { minLength: 1, maxLength: 5 }),
        fc.option(fc.tuple(blob, spot), { nil: undefined }),
        blob,
        fc.integer({ min: 0, max: COLUMNS - 1 }),
        (placed, fixed, piece, begin) => {
          const others = placed.map(([cells, at, weight]) => ({ lying: { cells, ...at }, weight }));
          const lying = fixed ? [{ cells: fixed[0], ...fixed[1] }] : [];
          const table = { columns: COLUMNS, rows: ROWS, lying } as unknown as Table;
          const way = { flipped: false, turnRad: 0, cells: piece, minX: 0, minY: 0 };
          let least = Infinity;
          for (let c = 0; c + piece.columns <= COLUMNS; c++)
            for (let r = 0; r + piece.rows <= ROWS; r++) {
              if (lying.some((l) => meets(l.cells, piece, c - l.column, r - l.row))) continue;
              const cost = others.reduce(
                (sum, { lying: l, weight }) => sum + weight * deep(l.cells, piece, c - l.column, r - l.row),
                0,
              );
              least = Math.min(least, cost);
            }
          const found = leastOn(table, others, way, new NoFits(), begin);
          expect(found?.cost).to.equal(least);
          if (!found || least === Infinity) return;
          const at = others.reduce(
            (sum, { lying: l, weight }) =>
              sum + weight * deep(l.cells, piece, found.column - l.column, found.row - l.row),
            0,
          );
          expect(at).to.equal(least);
        },
      ),
      { numRuns: 60 },
    );
  });
});
