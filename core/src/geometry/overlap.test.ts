import { expect } from 'chai';
import fc from 'fast-check';
import { overlapsItself } from './overlap';
import { sliceAt, tapeGirthMm } from './slice';
import type { Mesh } from './mesh';

describe('self-overlap', () => {
  it('is seen in a bow tie and not in a star', () => {
    expect(
      overlapsItself([
        { x: 0, y: 0 },
        { x: 10, y: 10 },
        { x: 10, y: 0 },
        { x: 0, y: 10 },
      ]),
    ).to.equal(true);
    const star = Array.from({ length: 20 }, (_, i) => {
      const r = i % 2 === 0 ? 10 : 4;
      const a = (i / 20) * 2 * Math.PI;
      return { x: r * Math.cos(a), y: r * Math.sin(a) };
    });
    expect(overlapsItself(star)).to.equal(false);
  });

  it('is never seen in a polygon whose corners go once round its middle', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 50, noNaN: true }), { minLength: 3, maxLength: 40 }),
        (radii) => {
          const outline = radii.map((r, i) => {
            const a = (i / radii.length) * 2 * Math.PI;
            return { x: r * Math.cos(a), y: r * Math.sin(a) };
          });
          expect(overlapsItself(outline)).to.equal(false);
        },
      ),
    );
  });

  it('is seen in a strip wound past its own start', () => {
    const turn = (from: number, to: number, r: (a: number) => number) =>
      Array.from({ length: 60 }, (_, i) => {
        const a = from + ((to - from) * i) / 59;
        return { x: r(a) * Math.cos(a), y: r(a) * Math.sin(a) };
      });
    const wound = [...turn(0, 7, (a) => 10 + a * 0.1), ...turn(7, 0, (a) => 14 + a * 0.1)];
    expect(overlapsItself(wound)).to.equal(true);
  });
});

describe('slices', () => {
  const box: Mesh = {
    points: [0, 1].flatMap((z) =>
      [
        [0, 0],
        [40, 0],
        [40, 20],
        [0, 20],
      ].map(([x, y]) => ({ x: x!, y: y!, z: z * 100 })),
    ),
    triangles: [
      [0, 1, 5],
      [0, 5, 4],
      [1, 2, 6],
      [1, 6, 5],
      [2, 3, 7],
      [2, 7, 6],
      [3, 0, 4],
      [3, 4, 7],
    ],
  };

  it('have the girth of what is cut', () => {
    expect(tapeGirthMm(sliceAt(box, 50))).to.be.closeTo(120, 1e-9);
  });

  it('are empty above and below, and have no girth then', () => {
    expect(sliceAt(box, 150)).to.deep.equal([]);
    expect(tapeGirthMm(sliceAt(box, -1))).to.equal(0);
  });
});
