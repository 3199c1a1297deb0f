import fc from 'fast-check';
import { type Cells, isTaken, noCells, takeRun } from '../raster';

/** Any few cells. */
export const blob = fc
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
export function meets(still: Cells, moving: Cells, dc: number, dr: number): boolean {
  for (let c = 0; c < moving.columns; c++)
    for (let r = 0; r < moving.rows; r++) {
      const [x, y] = [c + dc, r + dr];
      if (x < 0 || y < 0 || x >= still.columns || y >= still.rows) continue;
      if (isTaken(moving, c, r) && isTaken(still, x, y)) return true;
    }
  return false;
}
