import { expect } from 'chai';
import fc from 'fast-check';
import { cellsIn, leftmost, noFitOf, NoFits } from './noFit';
import { isTaken } from './raster';
import { blob, meets } from './testing/blobs';

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
            const reported = c >= 0 && r >= 0 && c < cells.columns && r < cells.rows && isTaken(cells, c, r);
            expect(reported).to.equal(meets(still, moving, dc, dr));
          }
      }),
      { numRuns: 40 },
    );
  });

  it('are turned about where the other piece moves, as if they were worked out anew', () => {
    fc.assert(
      fc.property(blob, blob, (a, b) => {
        const noFits = new NoFits();
        noFits.of(a, b);
        expect(noFits.of(b, a)).to.deep.equal(noFitOf(b, a));
      }),
      { numRuns: 100 },
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
