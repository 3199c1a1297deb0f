import { expect } from 'chai';
import fc from 'fast-check';
import type { Vec3 } from '../../geometry';
import { runs } from '../../units/testing/sampled';
import { massesAt, mostBent, swingHz } from './borne';
import { bornBy, movedBy, spreadOn, type SpaceFrame, type Stiffness } from './spaceFrame';

const none: Vec3 = { x: 0, y: 0, z: 0 };
const down = (n: number): Vec3 => ({ x: 0, y: 0, z: -n });
const L = 800;
const section = { shape: 'tube', outsideMm: 32, boreMm: 27.2 } as const;
const second = (Math.PI * (32 ** 4 - 27.2 ** 4)) / 64;
const area = (Math.PI * (32 ** 2 - 27.2 ** 2)) / 4;
const E = 2900;
const pipe: Stiffness = { stretchN: E * area, bendNmm2: E * second, twistNmm2: 0.7 * E * second };

/** A beam along x in so many bars, held at its foot, or at both ends. */
const beam = (parts: number, both = false): SpaceFrame => ({
  nodes: Array.from({ length: parts + 1 }, (_, i) => ({ x: (L * i) / parts, y: 0, z: 0 })),
  bars: Array.from({ length: parts }, (_, i) => ({ from: i, to: i + 1 })),
  held: [{ node: 0, turns: true }, ...(both ? [{ node: parts, turns: true }] : [])],
});

/** What a beam bears that weighs so much by the millimetre, with a push at a node. */
function bent(frame: SpaceFrame, w: number, push?: { node: number; force: Vec3 }) {
  const moved = movedBy(frame, pipe, [
    ...frame.bars.flatMap((_, i) => spreadOn(frame, i, down(w))),
    ...(push ? [{ ...push, moment: none }] : []),
  ])!;
  const ends = bornBy(frame, pipe, moved, down(w));
  return { moved, ends, most: mostBent(section, [ends])! };
}

describe('what the pipes of a frame bear', () => {
  it('is at the foot of a cantilever wL²/2 and PL by the section modulus, however many bars it is of', () => {
    for (const parts of [1, 2, 4, 7]) {
      const w = 0.01;
      const own = bent(beam(parts), w);
      expect(own.most.node).to.equal(0);
      expect(own.most.mpa).to.be.closeTo(((w * L ** 2) / 2) * (16 / second), 1e-6);
      const P = 12;
      const pushed = bent(beam(parts), 0, { node: parts, force: down(P) });
      expect(pushed.most.mpa).to.be.closeTo(P * L * (16 / second), 1e-6);
      // Pulled along, it is the pull over its area.
      const pulled = bent(beam(parts), 0, { node: parts, force: { x: 50, y: 0, z: 0 } });
      expect(pulled.most.mpa).to.be.closeTo(50 / area, 1e-9);
    }
  });

  it('is wL²/12 at both ends of a beam that is clamped there (beam tables)', () => {
    const w = 0.02;
    const { ends } = bent(beam(4, true), w);
    expect(Math.abs(ends[0]![0]!.bendNmm[0])).to.be.closeTo((w * L ** 2) / 12, 1e-6);
    expect(Math.abs(ends[3]![1]!.bendNmm[0])).to.be.closeTo((w * L ** 2) / 12, 1e-6);
  });

  it('holds its loads: at the foot what is borne is what was put on, for any frame bent in space', () => {
    const step = fc.record({
      x: fc.integer({ min: 30, max: 300 }),
      y: fc.integer({ min: -200, max: 200 }),
      z: fc.integer({ min: -200, max: 200 }),
    });
    fc.assert(
      fc.property(
        fc.array(step, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 1, max: 40 }),
        (steps, P) => {
          const nodes: Vec3[] = [none];
          for (const s of steps) {
            const last = nodes[nodes.length - 1]!;
            nodes.push({ x: last.x + s.x, y: last.y + s.y, z: last.z + s.z });
          }
          const frame: SpaceFrame = {
            nodes,
            bars: steps.map((_, i) => ({ from: i, to: i + 1 })),
            held: [{ node: 0, turns: true }],
          };
          const { ends } = bent(frame, 0, { node: steps.length, force: down(P) });
          const tip = nodes[steps.length]!;
          for (const [i, [foot]] of ends.entries()) {
            const at = nodes[i]!;
            // The whole moment of the push about the joint, of which what is along the bar twists it.
            const arm = { x: tip.x - at.x, y: tip.y - at.y };
            const moment = P * Math.hypot(arm.x, arm.y);
            const way = steps[i]!;
            const long = Math.hypot(way.x, way.y, way.z);
            const twist = Math.abs((-arm.y * P * way.x + arm.x * P * way.y) / long);
            expect(Math.hypot(...foot!.bendNmm)).to.be.closeTo(
              Math.sqrt(Math.max(0, moment ** 2 - twist ** 2)),
              1e-3 * moment + 1e-3,
            );
            expect(Math.abs(foot!.alongN)).to.be.closeTo(Math.abs((P * way.z) / long), 1e-6 * P + 1e-6);
          }
        },
      ),
      { numRuns: runs(60) },
    );
  });
});

describe('how a frame swings', () => {
  it('is (1.875)²·√(EI/mL⁴)/2π for a cantilever (tables of vibration), and √(3EI/ML³)/2π with a mass at its end', () => {
    const gPerMm = 0.4;
    const w = (gPerMm / 1000) * 9.80665;
    const frame = beam(8);
    const way = { x: 0, y: 0, z: -1 };
    const { moved } = bent(frame, w);
    const own = swingHz(massesAt(frame, gPerMm, []), [{ way, moved }])!;
    // EI in N·mm² is kg·mm³/s² by a thousand.
    const table = (1.8751 ** 2 / (2 * Math.PI)) * Math.sqrt((E * second * 1000) / ((gPerMm / 1000) * L ** 4));
    expect(own).to.be.closeTo(table, 0.02 * table);
    const heavy = 2000;
    const hung = bent(frame, 0, { node: 8, force: down((heavy / 1000) * 9.80665) });
    const tip = swingHz(massesAt(frame, 0, [{ node: 8, massG: heavy }]), [{ way, moved: hung.moved }])!;
    expect(tip).to.be.closeTo(
      Math.sqrt((3 * E * second * 1000) / ((heavy / 1000) * L ** 3)) / (2 * Math.PI),
      1e-3,
    );
  });
});
