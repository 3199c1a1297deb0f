import { expect } from 'chai';
import fc from 'fast-check';
import { add3, rotate2, scale3, type Vec3 } from '../geometry';
import { type Footprint, footprintOutline } from '../panel';
import type { Stand } from './convex';
import type { Triangle } from './faces';
import { freeUnder, solidIn } from './under';
import { wallsOfFaces } from './walls';

const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const quad = (a: Vec3, b: Vec3, c: Vec3, d: Vec3): Triangle[] => [
  [a, b, c],
  [a, c, d],
];

/** A tube about the z axis. */
const tube = (boreMm: number, sides = 720): Triangle[] =>
  Array.from({ length: sides }, (_, i) => {
    const at = (k: number, z: number): Vec3 => {
      const turn = (2 * Math.PI * k) / sides;
      return { x: (boreMm / 2) * Math.cos(turn), y: (boreMm / 2) * Math.sin(turn), z };
    };
    return quad(at(i, -200), at(i + 1, -200), at(i + 1, 200), at(i, 200));
  }).flat();

/** On the wall of such a tube, looking to its axis, its length up. */
const atWall = (boreMm: number, turn: number): Stand => {
  const out = { x: Math.cos(turn), y: Math.sin(turn), z: 0 };
  return {
    at: scale3(out, boreMm / 2),
    across: { x: -Math.sin(turn), y: Math.cos(turn), z: 0 },
    up: { x: 0, y: 0, z: 1 },
    inward: scale3(out, -1),
  };
};
const print = (widthMm: number, lengthMm: number, rest: Partial<Footprint> = {}): Footprint => ({
  at: { x: 0, y: 0 },
  widthMm,
  lengthMm,
  turnDeg: 0,
  ...rest,
});

describe('free room under something rigid', () => {
  it('across a bore is the chord that is left beside its corners', () => {
    fc.assert(
      fc.property(num(20, 200), num(0.05, 0.98), num(0, 6), (bore, share, turn) => {
        const wide = share * bore;
        const { fromMm, roomMm } = freeUnder(atWall(bore, turn), print(wide, 30), wallsOfFaces(tube(bore)));
        // Half a chord's height by Pythagoras; a box 0.1 mm within its size each side is what is looked at.
        const half = Math.sqrt((bore / 2) ** 2 - (wide / 2 - 0.1) ** 2);
        expect(fromMm).to.be.closeTo(bore / 2 - half, 0.1);
        expect(roomMm!).to.be.closeTo(2 * half, 0.2);
      }),
      { numRuns: 40 },
    );
  });

  it('is none where what stands beside it closes the whole gap: a box wider than the bore', () => {
    for (const wide of [50.5, 60, 400])
      expect(freeUnder(atWall(50, 1), print(wide, 30), wallsOfFaces(tube(50))).roomMm).to.equal(0);
  });

  it('takes a round coil as round: whatever is thinner than the bore goes in, however long', () => {
    fc.assert(
      fc.property(num(20, 200), num(0.1, 1.2), num(0, 6), num(5, 300), (bore, share, turn, long) => {
        const across = share * bore;
        fc.pre(Math.abs(across - bore) > 0.6);
        const walls = wallsOfFaces(tube(bore));
        const { roomMm } = freeUnder(atWall(bore, turn), print(across, long, { shape: 'bar' }), walls);
        if (across < bore - 0.6) expect(roomMm!).to.be.closeTo(bore, 0.2);
        else expect(roomMm!).to.be.lessThan(across);
      }),
      { numRuns: 40 },
    );
  });

  it('between two sheets is their distance, less where a rod lies between them', () => {
    const sheet = (y: number): Triangle[] =>
      quad({ x: -300, y, z: -300 }, { x: 300, y, z: -300 }, { x: 300, y, z: 300 }, { x: -300, y, z: 300 });
    const stand: Stand = {
      at: { x: 0, y: 0, z: 0 },
      across: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      inward: { x: 0, y: 1, z: 0 },
    };
    fc.assert(
      fc.property(num(30, 200), num(-60, 60), num(2, 10), num(-90, 90), (deep, off, r, turnDeg) => {
        const rod = tube(2 * r, 120).map((t) =>
          t.map((p) => add3({ x: p.x, y: p.y, z: p.z }, { x: off, y: deep - r - 5, z: 0 })),
        ) as Triangle[];
        const box = print(40, 40, { turnDeg });
        const { roomMm } = freeUnder(stand, box, wallsOfFaces([...sheet(0), ...sheet(deep), ...rod]));
        const reach = Math.max(...footprintOutline(box).map((p) => p.x));
        const clear = Math.abs(off) - r - reach;
        if (clear > 0.2) expect(roomMm!).to.be.closeTo(deep, 1e-3);
        if (Math.abs(off) < reach - 0.2) expect(roomMm!).to.be.closeTo(deep - 2 * r - 5, 0.05);
      }),
      { numRuns: 60 },
    );
  });

  it('to a round body is where the box would touch it', () => {
    const stand: Stand = {
      at: { x: 0, y: -80, z: 0 },
      across: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      inward: { x: 0, y: 1, z: 0 },
    };
    const away = (p: Vec3): number => Math.hypot(p.x, p.y) - 50;
    expect(freeUnder(stand, print(30, 40), wallsOfFaces([]), away).roomMm!).to.be.closeTo(30, 0.05);
    const beside: Stand = { ...stand, at: { x: 40, y: -80, z: 0 } };
    const nearest = 40 - 10;
    const { roomMm } = freeUnder(beside, print(20, 40), wallsOfFaces([]), away);
    expect(roomMm!).to.be.closeTo(80 - Math.sqrt(2500 - nearest ** 2), 0.2);
  });

  it('a thing in its room is as large as it is told, and stands where it is reported', () => {
    fc.assert(
      fc.property(
        num(5, 50),
        num(5, 50),
        num(0, 30),
        num(1, 40),
        num(-180, 180),
        (w, l, from, deep, turnDeg) => {
          const stand = atWall(100, 1);
          const { points } = solidIn(stand, print(w, l, { turnDeg }), from, deep);
          for (const p of points) {
            const d = { x: p.x - stand.at.x, y: p.y - stand.at.y, z: p.z - stand.at.z };
            const dot = (v: Vec3): number => d.x * v.x + d.y * v.y + d.z * v.z;
            const q = rotate2({ x: dot(stand.across), y: dot(stand.up) }, (turnDeg * Math.PI) / 180);
            expect(Math.abs(q.x)).to.be.closeTo(w / 2, 1e-6);
            expect(Math.abs(q.y)).to.be.closeTo(l / 2, 1e-6);
            expect(
              Math.min(Math.abs(dot(stand.inward) - from), Math.abs(dot(stand.inward) - from - deep)),
            ).to.be.lessThan(1e-6);
          }
        },
      ),
    );
  });
});
