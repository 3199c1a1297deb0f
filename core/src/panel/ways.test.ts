import { expect } from 'chai';
import fc from 'fast-check';
import type { Vec2 } from '../geometry';
import { gridMesh } from './panel';
import { waysOf } from './ways';

const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('the way from a panel to its flat piece and back', () => {
  it('comes home from anywhere on any bent grid, and leads nowhere from beside it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: -0.8, max: 0.8, noNaN: true }),
        fc.array(fc.record({ x: share, y: share }), { minLength: 20, maxLength: 20 }),
        (columns, rows, skew, spots) => {
          // A fan that is skewed: no two cells are alike, and none is folded over.
          const flat = Array.from({ length: rows + 1 }, (_, r) =>
            Array.from({ length: columns + 1 }, (__, c) => {
              const [turn, out] = [(c / columns) * 1.8, 60 + (90 * r) / rows];
              return { x: out * Math.cos(turn) + skew * r * 7, y: out * Math.sin(turn), z: 0 };
            }),
          );
          const mesh = gridMesh(flat);
          const corners = mesh.triangles.map(
            (t) => t.map((v): Vec2 => mesh.points[v]!) as [Vec2, Vec2, Vec2],
          );
          const { flatAt, uvAt } = waysOf(columns, rows, () => corners);
          for (const spot of spots) {
            const home = uvAt(flatAt(spot));
            expect(home?.x).to.be.closeTo(spot.x, 1e-6);
            expect(home?.y).to.be.closeTo(spot.y, 1e-6);
          }
          expect(uvAt({ x: 1000, y: 0 })).to.equal(undefined);
          // Within the box round the fan, but inside its inner rim.
          expect(uvAt({ x: 1, y: 1 })).to.equal(undefined);
        },
      ),
    );
  });
});
