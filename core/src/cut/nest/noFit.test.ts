import { expect } from 'chai';
import fc from 'fast-check';
import { cellsIn, leftmost, noFitOf, NoFits } from './noFit';
import { type Cells, isTaken, noCells, takeRun } from './raster';

/** Any few cells. */
const blob = fc
  .record({ columns: fc.integer({ min: 1, max: 9 }), rows: fc.integer({ min: 1, max: 40 }) })
  .chain(({ columns, rows }) =>
    fc.array(fc.boolean(), { minLength: columns * rows, maxLength: columns * rows }).map((taken): Cells => {
      const cells = noCells(columns, rows);
      taken.forEach((t, i) => {
        if (t) takeRun(cells, i % columns, Math.floor(i / columns), Math.floor(i / columns) + 1);
      });
      return cells;
    }),
  );

/** Whether any cell of the one, moved, is one of the other: cell by cell. */
function meets(still: Cells, moving: Cells, dc: number, dr: number): boolean {
  for (let c = 0; c < moving.columns; c++)
    for (let r = 0; r < moving.rows; r++) {
      const [x, y] = [c + dc, r + dr];
      if (x < 0 || y < 0 || x >= still.columns || y >= still.rows) continue;
      if (isTaken(moving, c, r) && isTaken(still, x, y)) return true;
    }
  return false;
}

describe('no-fit regions', () => {
  it('hold just the shifts at which cells meet, against every cell with every other', () => {
    fc.assert(
      fc.property(blob, blob, (still, moving) => {
        const region = noFitOf(still, moving);
        const { column, row } = region;
        const cells = cellsIn(region);
        for (let dc = -moving.columns - 1; dc <= still.columns + 1; dc++)
          for (let dr = -moving.rows - 1; dr <= still.rows + 1; dr++) {
            const [c, r] = [dc - column, dr - row];
            const told = c >= 0 && r >= 0 && c < cells.columns && r < cells.rows && isTaken(cells, c, r);
            expect(told).to.equal(meets(still, moving, dc, dr));
          }
      }),
      { numRuns: 40 },
    );
  });

  it('give the leftmost spot, lowest there, that trying every spot finds', () => {
    const at = fc.record({ column: fc.integer({ min: 0, max: 20 }), row: fc.integer({ min: -5, max: 60 }) });
    fc.assert(
      fc.property(fc.array(fc.tuple(blob, at), { maxLength: 5 }), blob, (placed, piece) => {
        const [columns, rows] = [24, 70];
        const lying = placed.map(([cells, spot]) => ({ cells, ...spot }));
        let expected: { column: number; row: number } | undefined;
        for (let column = 0; column + piece.columns <= columns && !expected; column++)
          for (let row = 0; row + piece.rows <= rows && !expected; row++)
            if (!lying.some((l) => meets(l.cells, piece, column - l.column, row - l.row)))
              expected = { column, row };
        expect(leftmost(columns, rows, lying, piece, new NoFits(), columns)).to.deep.equal(expected);
      }),
      { numRuns: 60 },
    );
  });
});
