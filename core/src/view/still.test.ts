import { expect } from 'chai';
import fc from 'fast-check';
import type { Mesh } from '../geometry';
import { reportOf } from '../parts/testing/worn.test';
import { boxDimensions } from './boxDimensions';
import { eyeAlong } from './eye';
import { frameOf } from './frame';
import { shownOf } from './shown';
import { still, waysRound } from './still';

/** A block of 30 × 50 × 20 mm, eight corners and one triangle for each pair that matters. */
const block: Mesh = {
  points: [0, 1, 2, 3, 4, 5, 6, 7].map((i) => ({ x: i & 1 ? 30 : 0, y: i & 2 ? 50 : 0, z: i & 4 ? 20 : 0 })),
  triangles: [
    [0, 1, 3],
    [0, 3, 2],
    [4, 5, 7],
    [4, 7, 6],
  ],
};
const shown = [{ id: 'block', mesh: block, from: 0, to: 4 }];

describe('stills with their sizes', () => {
  it('by hand: from the front a block is 30 wide and 50 high, and its depth is not seen', () => {
    const eye = eyeAlong({ x: 0, y: 0, z: 1 });
    const frame = frameOf(shown, eye, 400, 400);
    const found = boxDimensions(shown, eye, frame);
    expect(found.map((d) => [d.of, d.mm])).to.deep.equal([
      ['wide', 30],
      ['high', 50],
    ]);
    for (const { mm, from, to } of found)
      expect(Math.hypot(to.x - from.x, to.y - from.y)).to.be.closeTo(mm * frame.pxPerMm, 1e-6);
    // Width below, height to the right.
    expect(found[0]!.from.y).to.be.greaterThan(200);
    expect(found[1]!.from.x).to.be.greaterThan(200);
  });

  it('from any side the three sizes stay what they are, and none is drawn longer than it is', () => {
    const way = fc.record({
      x: fc.double({ min: -1, max: 1, noNaN: true }),
      y: fc.double({ min: -0.9, max: 0.9, noNaN: true }),
      z: fc.double({ min: 0.2, max: 1, noNaN: true }),
    });
    const sizes = { wide: 30, high: 50, deep: 20 };
    fc.assert(
      fc.property(way, (out) => {
        const eye = eyeAlong(out);
        const frame = frameOf(shown, eye, 500, 400);
        for (const { of, mm, from, to } of boxDimensions(shown, eye, frame)) {
          expect(mm).to.equal(sizes[of]);
          expect(Math.hypot(to.x - from.x, to.y - from.y)).to.be.at.most(mm * frame.pxPerMm + 1e-6);
        }
      }),
    );
  });

  it('a part keeps within its picture, with room round it for the sizes', () => {
    const part = reportOf('helmet');
    const asked = { out: { x: 0.3, y: 0.3, z: 1 }, width: 240, height: 180 };
    for (const dimensions of [false, true]) {
      const { picture, dimensions: sizes } = still(part, undefined, { ...asked, dimensions });
      const rim = [0, 1, 2].flatMap((y) =>
        Array.from({ length: 240 }, (_, x) => picture.data[(y * 240 + x) * 4 + 3]!),
      );
      expect(Math.max(...rim)).to.equal(0);
      expect(sizes.length).to.equal(dimensions ? 3 : 0);
    }
    const all = shownOf(part).flatMap((s) =>
      s.mesh.triangles
        .slice(s.from, s.to)
        .flat()
        .map((i) => s.mesh.points[i]!.y),
    );
    const high = still(part, undefined, { ...asked, dimensions: true }).dimensions.find(
      (d) => d.of === 'high',
    )!;
    expect(high.mm).to.be.closeTo(Math.max(...all) - Math.min(...all), 1e-9);
  });

  it('goes round in even turns from the same height, and begins where it is', () => {
    const ways = waysRound({ x: 0.6, y: 0.5, z: 0.8 }, 8);
    expect(ways[0]!.x).to.be.closeTo(0.6, 1e-9);
    ways.forEach((w, i) => {
      const next = ways[(i + 1) % 8]!;
      expect(w.y).to.equal(0.5);
      expect((w.x * next.x + w.z * next.z) / 1).to.be.closeTo(Math.cos(Math.PI / 4), 1e-9);
    });
  });
});
