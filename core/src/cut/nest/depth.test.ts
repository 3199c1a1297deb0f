import { expect } from 'chai';
import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { boundsOf, convexHull, signedArea, type Vec2 } from '../../geometry';
import { bodyOf, Depths } from './depth';

const points = fc
  .array(fc.record({ x: fc.integer({ min: 0, max: 100 }), y: fc.integer({ min: 0, max: 100 }) }), {
    minLength: 4,
    maxLength: 12,
  })
  .map((all) => convexHull(all))
  .filter((hull) => hull.length >= 3 && signedArea(hull) > 200);
const solid = fc.array(points, { minLength: 1, maxLength: 3 });
const shift = fc.record({
  x: fc.double({ min: -120, max: 120, noNaN: true }),
  y: fc.double({ min: -120, max: 120, noNaN: true }),
});

/** What parts of the one share with parts of the other, moved by so much, at most, mm². */
function shared(a: readonly Vec2[][], b: readonly Vec2[][], by: Vec2): number {
  let most = 0;
  for (const p of a)
    for (const q of b) {
      const meet = polygonClipping.intersection(
        [p.map(({ x, y }): [number, number] => [x, y])],
        [q.map(({ x, y }): [number, number] => [x + by.x, y + by.y])],
      );
      for (const [outer] of meet)
        most = Math.max(most, Math.abs(signedArea(outer!.map(([x, y]) => ({ x, y })))));
    }
  return most;
}

/** How deep the one lies in the other, both told where they lie. */
function depthOf(a: readonly Vec2[][], b: readonly Vec2[][], by: Vec2): number {
  const [p, q] = [boundsOf(a.flat()), boundsOf(b.flat())];
  const depths = new Depths([bodyOf(a, p), bodyOf(b, q)]);
  return depths.between(0, 1, by.x + q.minX - p.minX, by.y + q.minY - p.minY);
}

describe('how far bodies lie in each other', () => {
  it('is nought just where they share no area, by another library', () => {
    fc.assert(
      fc.property(solid, solid, shift, (a, b, by) => {
        const deep = depthOf(a, b, by);
        if (deep > 1e-3) expect(shared(a, b, by)).to.be.above(0);
        else expect(shared(a, b, by)).to.be.below(1);
      }),
      { numRuns: 200 },
    );
  });

  it('is the least shift that takes two convex ones apart, against shifts every way', () => {
    fc.assert(
      fc.property(points, points, shift, (p, q, by) => {
        const deep = depthOf([p], [q], by);
        const after = (mm: number): number[] =>
          Array.from({ length: 360 }, (_, i) => {
            const a = (Math.PI * i) / 180;
            return shared([p], [q], { x: by.x + mm * Math.cos(a), y: by.y + mm * Math.sin(a) });
          });
        if (deep < 1) return;
        // None shorter is enough; some way a little longer is.
        expect(Math.min(...after(0.98 * deep))).to.be.above(0);
        expect(Math.min(...after(1.001 * deep + 0.01))).to.be.below(0.05);
      }),
      { numRuns: 12 },
    );
  });

  it('is the same however much was asked before', () => {
    const square = (mm: number): Vec2[] => [
      { x: 0, y: 0 },
      { x: mm, y: 0 },
      { x: mm, y: mm },
      { x: 0, y: mm },
    ];
    const bodies = Array.from({ length: 60 }, (_, i) => bodyOf([square(10 + i)], boundsOf(square(10 + i))));
    const depths = new Depths(bodies);
    for (let round = 0; round < 2; round++)
      bodies.forEach((_, i) =>
        bodies.forEach((__, k) =>
          expect(depths.between(i, k, 4, 0)).to.be.closeTo(Math.min(6 + i, 10 + k), 1e-9),
        ),
      );
  });
});
