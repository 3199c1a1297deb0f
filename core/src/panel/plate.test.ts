import { expect } from 'chai';
import fc from 'fast-check';
import { boundsOf, grown, meshVolume, regionArea, signedArea } from '../geometry';
import { plateMesh } from './plateMesh';
import type { Plate } from './plateShape';

const plane = {
  origin: { x: 0, y: 0, z: 0 },
  across: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 1, z: 0 },
};
const box = (w: number, h: number) => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];

describe('a plate as a solid', () => {
  it('is its area by its thickness, less what is cut through', () => {
    const plate: Plate = {
      ...plane,
      outline: box(80, 50),
      cuts: [{ id: 'c', name: 'c', outline: box(10, 10).map((p) => ({ x: p.x + 20, y: p.y + 20 })) }],
    };
    expect(meshVolume(plateMesh(plate, 6))).to.be.closeTo((80 * 50 - 100) * 6, 1e-6);
  });

  it('with sloped edges is the prismatoid of the handbooks', () => {
    // h/6 · (A₁ + 4 Aₘ + A₂): exact for a frustum of a pyramid on a rectangle.
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 200, noNaN: true }),
        fc.double({ min: 40, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 18, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        fc.boolean(),
        (w, h, inset, t, upward) => {
          const [wide, narrow] = [[box(w, h)], grown([box(w, h)], -inset)];
          const sections = (upward ? [wide, narrow] : [narrow, wide]).map((region, i) => ({
            atMm: i * t,
            region,
          }));
          const mid = regionArea(grown([box(w, h)], -inset / 2));
          const want = (t / 6) * (w * h + 4 * mid + regionArea(narrow));
          const got = meshVolume(plateMesh({ ...plane, outline: box(w, h), cuts: [], sections }, t));
          expect(got).to.be.closeTo(want, want * 1e-4);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('stays closed where a slope ends at a square side', () => {
    // Sloped on three sides only: the lower side is common to both outlines.
    const narrow = [box(60, 90).map((p) => ({ x: p.x + 10, y: p.y }))];
    const sections = [
      { atMm: 0, region: [box(80, 100)] },
      { atMm: 5, region: narrow },
    ];
    const mesh = plateMesh({ ...plane, outline: box(80, 100), cuts: [], sections }, 5);
    const moved = { ...mesh, points: mesh.points.map((p) => ({ x: p.x + 300, y: p.y - 200, z: p.z + 70 })) };
    // The volume of a closed surface does not depend on where it is.
    expect(meshVolume(moved)).to.be.closeTo(meshVolume(mesh), 1e-3);
    const areaAt = (share: number): number => {
      const inset = 10 * share;
      return (80 - 2 * inset) * (100 - inset);
    };
    expect(meshVolume(mesh)).to.be.closeTo((5 / 6) * (areaAt(0) + 4 * areaAt(0.5) + areaAt(1)), 1);
    expect(boundsOf(narrow[0]!).minY).to.equal(0);
    expect(signedArea(narrow[0]!)).to.be.greaterThan(0);
  });
});
