import { expect } from 'chai';
import fc from 'fast-check';
import Module from 'manifold-3d';
import { add3, cross3, scale3, type Vec2, type Vec3 } from '../geometry';
import { footprintOutline, roundOutline } from '../panel';
import { type Convex, overlapOf, prism, type Stand } from './convex';

const flat: Stand = {
  at: { x: 0, y: 0, z: 0 },
  across: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 1, z: 0 },
  inward: { x: 0, y: 0, z: 1 },
};
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const spot = fc.record({ x: num(-40, 40), y: num(-40, 40), z: num(-40, 40) });

/** A stand turned in space by three angles. */
const stands = fc.tuple(spot, num(-3, 3), num(-1.5, 1.5), num(-3, 3)).map(([at, a, b, c]): Stand => {
  const inward = { x: Math.cos(b) * Math.cos(a), y: Math.cos(b) * Math.sin(a), z: Math.sin(b) };
  const side = { x: -Math.sin(a), y: Math.cos(a), z: 0 };
  const third = cross3(inward, side);
  const across = add3(scale3(side, Math.cos(c)), scale3(third, Math.sin(c)));
  return { at, across, up: cross3(inward, across), inward };
});
const outlines = fc.oneof(
  fc
    .tuple(num(4, 60), num(4, 60))
    .map(([widthMm, lengthMm]): Vec2[] =>
      footprintOutline({ at: { x: 0, y: 0 }, widthMm, lengthMm, turnDeg: 0 }),
    ),
  num(4, 60).map((d) => roundOutline(d)),
);
const solids = fc
  .tuple(stands, outlines, num(2, 60))
  .map(([stand, outline, deep]) => prism(stand, outline, 0, deep));
const moved = (solid: Convex, by: Vec3): Convex => ({
  ...solid,
  points: solid.points.map((p) => add3(p, by)),
});

describe('two solids in one place', () => {
  let hull: (points: readonly Vec3[]) => InstanceType<Awaited<ReturnType<typeof Module>>['Manifold']>;
  before(async () => {
    const solver = await Module();
    solver.setup();
    hull = (points) => solver.Manifold.hull(points.map(({ x, y, z }): [number, number, number] => [x, y, z]));
  });

  it('share room exactly when a geometry library finds that they do, and are free once shifted as told', () => {
    let shared = 0;
    fc.assert(
      fc.property(solids, solids, (a, b) => {
        const found = overlapOf(a, b);
        const volume = (p: Convex): number => {
          const [one, two] = [hull(p.points), hull(b.points)];
          const both = one.intersect(two);
          const mm3 = both.volume();
          for (const m of [one, two, both]) m.delete();
          return mm3;
        };
        const common = volume(a);
        if (found) {
          shared += 1;
          expect(volume(moved(a, scale3(found.way, found.mm + 0.02)))).to.be.lessThan(0.5);
          // Nine tenths of the shift are not enough.
          if (found.mm > 0.5)
            expect(volume(moved(a, scale3(found.way, 0.9 * found.mm)))).to.be.greaterThan(0);
        } else expect(common).to.be.lessThan(0.5);
      }),
      { numRuns: 300 },
    );
    expect(shared).to.be.greaterThan(60);
  });

  it('overlap by what is known: boxes by the shallowest side, rounds by their radii', () => {
    const square = footprintOutline({ at: { x: 0, y: 0 }, widthMm: 20, lengthMm: 20, turnDeg: 0 });
    const box = prism(flat, square, 0, 20);
    fc.assert(
      fc.property(num(-19, 19), num(-19, 19), num(-19, 19), (x, y, z) => {
        const mm = overlapOf(moved(box, { x, y, z }), box)!.mm;
        expect(mm).to.be.closeTo(20 - Math.max(Math.abs(x), Math.abs(y), Math.abs(z)), 1e-9);
      }),
    );
    const round = prism(flat, roundOutline(30), 0, 50);
    fc.assert(
      fc.property(num(-Math.PI, Math.PI), num(1, 29.9), (turn, off) => {
        const by = { x: off * Math.cos(turn), y: off * Math.sin(turn), z: 0 };
        expect(overlapOf(moved(round, by), round)!.mm).to.be.closeTo(Math.min(30 - off, 50), 0.1);
      }),
    );
  });

  it('that touch do not overlap', () => {
    const round = prism(flat, roundOutline(30), 0, 10);
    expect(overlapOf(moved(round, { x: 0, y: 0, z: 10 }), round)).to.equal(undefined);
    expect(overlapOf(moved(round, { x: 31, y: 0, z: 0 }), round)).to.equal(undefined);
  });
});
