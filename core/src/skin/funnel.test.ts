import { expect } from 'chai';
import fc from 'fast-check';
import { dist3, lerp3, type Vec3 } from '../geometry';
import { type Gate, pulledStraight } from './funnel';

/** A strip of triangles that climbs and folds: its points left and right by turns, each edge between the last two a gate. */
const strip = fc
  .array(
    fc.record({
      wide: fc.double({ min: 2, max: 30, noNaN: true }),
      on: fc.double({ min: 1, max: 20, noNaN: true }),
      up: fc.double({ min: -15, max: 15, noNaN: true }),
    }),
    { minLength: 4, maxLength: 24 },
  )
  .map((steps) => {
    let y = 0;
    const points: Vec3[] = steps.map(({ wide, on, up }, i) => ({
      x: i % 2 === 0 ? -wide : wide,
      y: (y += on),
      z: up,
    }));
    const gates = points
      .slice(2)
      .map((_, i): Gate => ({ a: i + 1, b: i + 2, at: { a: points[i + 1]!, b: points[i + 2]! } }))
      .slice(0, -1);
    return { from: points[0]!, gates, to: points.at(-1)! };
  });

const lengthOf = (from: Vec3, gates: readonly Gate[], shares: readonly number[], to: Vec3): number => {
  const way = [from, ...gates.map((g, i) => lerp3(g.at.a, g.at.b, shares[i]!)), to];
  return way.slice(1).reduce((sum, p, i) => sum + dist3(way[i]!, p), 0);
};

/** The shortest way by a second method: each crossing moved a little, as long as that makes it shorter. */
function searched(from: Vec3, gates: readonly Gate[], to: Vec3): number {
  const shares = gates.map(() => 0.5);
  for (let step = 0.25; step > 1e-6; step /= 1.5)
    for (let round = 0; round < 60; round++) {
      let better = false;
      shares.forEach((share, i) => {
        for (const next of [share - step, share + step]) {
          if (next < 0 || next > 1) continue;
          const before = lengthOf(from, gates, shares, to);
          const old = shares[i]!;
          shares[i] = next;
          if (lengthOf(from, gates, shares, to) < before - 1e-12) better = true;
          else shares[i] = old;
        }
      });
      if (!better) break;
    }
  return lengthOf(from, gates, shares, to);
}

describe('a way pulled straight through a strip of triangles', () => {
  it('is no longer than the best that a search finds', () => {
    fc.assert(
      fc.property(strip, ({ from, gates, to }) => {
        const shares = pulledStraight(from, gates, to);
        for (const share of shares) expect(share).to.be.within(0, 1);
        const mine = lengthOf(from, gates, shares, to);
        expect(mine).to.be.at.most(searched(from, gates, to) + 1e-3);
      }),
      { numRuns: 60 },
    );
  });

  it('is a straight line where the strip lies flat, and turns at a corner that is in its way', () => {
    const flat = (x: number, y: number): Vec3 => ({ x, y, z: 0 });
    const gate = (a: Vec3, b: Vec3, id: number): Gate => ({ a: id, b: id + 1, at: { a, b } });
    const open = [gate(flat(-5, 1), flat(5, 2), 1), gate(flat(5, 2), flat(-5, 3), 2)];
    const gates = [open[0]!, { ...open[1]!, a: 2, b: 3 }];
    expect(
      lengthOf(flat(0, 0), gates, pulledStraight(flat(0, 0), gates, flat(0, 4)), flat(0, 4)),
    ).to.be.closeTo(4, 1e-9);
    const tight = [{ a: 1, b: 2, at: { a: flat(3, 1), b: flat(5, 2) } }];
    expect(pulledStraight(flat(0, 0), tight, flat(0, 4))).to.deep.equal([0]);
  });
});
