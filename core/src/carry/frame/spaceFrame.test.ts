import { expect } from 'chai';
import fc from 'fast-check';
import { add3, length3, type Vec3 } from '../../geometry';
import { lastOf } from '../../units';
import { runs } from '../../units/testing/sampled';
import { movedBy, spreadOn, type SpaceFrame, type Stiffness } from './spaceFrame';

const none: Vec3 = { x: 0, y: 0, z: 0 };
const [EA, EI, GJ] = [5e6, 3e8, 2e8];
const bar: Stiffness = { stretchN: EA, bendNmm2: EI, twistNmm2: GJ };
const down = (n: number): Vec3 => ({ x: 0, y: 0, z: -n });
const P = 10;
const L = 700;

/** Straight between two points, in so many bars. */
const line = (a: Vec3, b: Vec3, parts: number): SpaceFrame => ({
  nodes: Array.from({ length: parts + 1 }, (_, i) => ({
    x: a.x + ((b.x - a.x) * i) / parts,
    y: a.y + ((b.y - a.y) * i) / parts,
    z: a.z + ((b.z - a.z) * i) / parts,
  })),
  bars: Array.from({ length: parts }, (_, i) => ({ from: i, to: i + 1 })),
  held: [{ node: 0, turns: true }],
});

describe('a frame of bars', () => {
  it('bends as beam tables say: PL³/3EI at the end of a cantilever, wL⁴/8EI under its own weight', () => {
    for (const parts of [1, 2, 5]) {
      const beam = line(none, { x: L, y: 0, z: 0 }, parts);
      const tip = movedBy(beam, bar, [{ node: parts, force: down(P), moment: none }])![parts]!.by;
      expect(tip.z).to.be.closeTo((-P * L ** 3) / (3 * EI), 1e-9);
      const w = 0.01;
      const own = beam.bars.flatMap((_, i) => spreadOn(beam, i, down(w)));
      expect(movedBy(beam, bar, own)![parts]!.by.z).to.be.closeTo((-w * L ** 4) / (8 * EI), 1e-9);
    }
  });

  it('gives PL³/192EI in the middle between two clamps, and wL⁴/192EI where one end is only laid on', () => {
    const clamped = {
      ...line(none, { x: 0, y: L, z: 0 }, 2),
      held: [
        { node: 0, turns: true },
        { node: 2, turns: true },
      ],
    };
    const middle = movedBy(clamped, bar, [{ node: 1, force: down(P), moment: none }])![1]!.by;
    expect(middle.z).to.be.closeTo((-P * L ** 3) / (192 * EI), 1e-9);
    // Clamped at one end and laid on the other.
    const w = 0.02;
    const laid: SpaceFrame = {
      ...clamped,
      held: [
        { node: 0, turns: true },
        { node: 2, turns: false },
      ],
    };
    const loads = laid.bars.flatMap((_, i) => spreadOn(laid, i, down(w)));
    expect(movedBy(laid, bar, loads)![1]!.by.z).to.be.closeTo((-w * L ** 4) / (192 * EI), 1e-9);
  });

  it('stretches by PL/EA and turns a corner by bending and twist: Pa³/3EI + Pb³/3EI + Pa²b/GJ', () => {
    const rod = line(none, { x: 0, y: 0, z: L }, 3);
    const up = movedBy(rod, bar, [{ node: 3, force: { x: 0, y: 0, z: P }, moment: none }])![3]!.by;
    expect(up.z).to.be.closeTo((P * L) / EA, 1e-12);
    const [a, b] = [300, 500];
    const crank: SpaceFrame = {
      nodes: [none, { x: b, y: 0, z: 0 }, { x: b, y: a, z: 0 }],
      bars: [
        { from: 0, to: 1 },
        { from: 1, to: 2 },
      ],
      held: [{ node: 0, turns: true }],
    };
    const tip = movedBy(crank, bar, [{ node: 2, force: down(P), moment: none }])![2]!.by;
    expect(-tip.z).to.be.closeTo(
      (P * a ** 3) / (3 * EI) + (P * b ** 3) / (3 * EI) + (P * a * a * b) / GJ,
      1e-9,
    );
  });

  it('sways as a portal on clamped feet: Ph³/12EI · (3k + 2)/(6k + 1) with k = h/L (Kleinlogel, from memory)', () => {
    const [h, wide] = [600, 400];
    const portal: SpaceFrame = {
      nodes: [none, { x: 0, y: 0, z: h }, { x: wide, y: 0, z: h }, { x: wide, y: 0, z: 0 }],
      bars: [
        { from: 0, to: 1 },
        { from: 1, to: 2 },
        { from: 2, to: 3 },
      ],
      held: [
        { node: 0, turns: true },
        { node: 3, turns: true },
      ],
    };
    // Hardly any stretch, as the formula has none.
    const stiff = { ...bar, stretchN: 1e12 };
    const half = { x: P / 2, y: 0, z: 0 };
    const swayed = movedBy(portal, stiff, [
      { node: 1, force: half, moment: none },
      { node: 2, force: half, moment: none },
    ])!;
    const k = h / wide;
    expect(swayed[1]!.by.x).to.be.closeTo(((P * h ** 3) / (12 * EI)) * ((3 * k + 2) / (6 * k + 1)), 1e-4);
  });

  it('moves as much however it is turned, and twice as much under twice the load', () => {
    const across = fc.integer({ min: -300, max: 300 });
    const step = fc.record({ x: fc.integer({ min: 20, max: 300 }), y: across, z: across });
    const angle = fc.double({ min: 0, max: 6.28, noNaN: true });
    fc.assert(
      fc.property(fc.array(step, { minLength: 2, maxLength: 6 }), angle, angle, (steps, s, t) => {
        const nodes = steps.reduce((all, d) => [...all, add3(lastOf(all), d)], [none]);
        const bars = nodes.slice(1).map((_, i) => ({ from: i, to: i + 1 }));
        const held = [{ node: 0, turns: true }];
        const last = nodes.length - 1;
        const turned = ({ x, y, z }: Vec3): Vec3 => {
          const [c, d] = [Math.cos(s), Math.sin(s)];
          const u = { x: c * x - d * y, y: d * x + c * y, z };
          const [e, f] = [Math.cos(t), Math.sin(t)];
          return { x: u.x, y: e * u.y - f * u.z, z: f * u.y + e * u.z };
        };
        const at = (all: Vec3[], force: Vec3): Vec3 =>
          movedBy({ nodes: all, bars, held }, bar, [{ node: last, force, moment: none }])![last]!.by;
        const force = { x: 3, y: -5, z: 2 };
        const one = at(nodes, force);
        const size = Math.max(1e-6, length3(one));
        const other = at(nodes.map(turned), turned(force));
        const want = turned(one);
        for (const axis of ['x', 'y', 'z'] as const) {
          expect(other[axis]).to.be.closeTo(want[axis], 1e-6 * size);
        }
        const twice = at(nodes, { x: 6, y: -10, z: 4 });
        expect(twice.z).to.be.closeTo(2 * one.z, 1e-6 * size);
      }),
      { numRuns: runs(60) },
    );
  });

  it('is not worked out where something is not held', () => {
    const loose = { ...line(none, { x: L, y: 0, z: 0 }, 1), held: [] };
    const moved = movedBy(loose, bar, [{ node: 1, force: down(P), moment: none }]);
    expect(moved === undefined || moved.some((p) => length3(p.by) > 1e6)).to.equal(true);
  });
});
