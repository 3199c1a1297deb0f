import { runs } from '../units/testing/sampled';
import { expect } from 'chai';
import fc from 'fast-check';
import { add3, type Vec3 } from '../geometry';
import { footprintOutline } from '../panel';
import { type Convex, prism, type Stand } from './convex';
import type { Triangle } from './faces';
import { extentOfFaces, wayOut } from './wayOut';
import { wallsOfFaces } from './walls';

const axes: Vec3[] = [
  { x: 1, y: 0, z: 0 },
  { x: 0, y: 1, z: 0 },
  { x: 0, y: 0, z: 1 },
];
const stand: Stand = { at: { x: 0, y: 0, z: 0 }, across: axes[0]!, up: axes[1]!, inward: axes[2]! };
/** A box of a size with its middle at a spot. */
const block = ([w, d, h]: readonly number[], at: Vec3): Convex => {
  const solid = prism(
    stand,
    footprintOutline({ at: { x: 0, y: 0 }, widthMm: w!, lengthMm: d!, turnDeg: 0 }),
    -h! / 2,
    h! / 2,
  );
  return { ...solid, points: solid.points.map((p) => add3(p, at)) };
};

/** A rectangle across an axis at a place along it, less a window: given by its limits along the other two. */
interface Window {
  u: [number, number];
  v: [number, number];
}
type Wall = { axis: 0 | 1 | 2; at: number; u: [number, number]; v: [number, number]; window?: Window };

const others = { 0: [1, 2], 1: [0, 2], 2: [0, 1] } as const;
const spot = (axis: 0 | 1 | 2, at: number, u: number, v: number): Vec3 => {
  const p = [0, 0, 0];
  p[axis] = at;
  p[others[axis][0]] = u;
  p[others[axis][1]] = v;
  return { x: p[0]!, y: p[1]!, z: p[2]! };
};
function facesOf({ axis, at, u, v, window }: Wall): Triangle[] {
  const rect = (a: [number, number], b: [number, number]): Triangle[] => {
    if (a[1] - a[0] < 1e-9 || b[1] - b[0] < 1e-9) return [];
    const [p, q, r, s] = [
      spot(axis, at, a[0], b[0]),
      spot(axis, at, a[1], b[0]),
      spot(axis, at, a[1], b[1]),
      spot(axis, at, a[0], b[1]),
    ];
    return [
      [p, q, r],
      [p, r, s],
    ];
  };
  if (!window) return rect(u, v);
  return [
    ...rect([u[0], window.u[0]], v),
    ...rect([window.u[1], u[1]], v),
    ...rect(window.u, [v[0], window.v[0]]),
    ...rect(window.u, [window.v[1], v[1]]),
  ];
}

/**
 * The same asked by brute force: a raster of places 4 mm apart, each held against every wall by its limits alone, flooded
 * from where the thing lies. Shares nothing with the search.
 */
function floods(
  walls: readonly Wall[],
  size: readonly number[],
  from: readonly number[],
  room: readonly number[],
): boolean {
  const STEP = 4;
  const half = size.map((s) => s / 2 - 0.4);
  const hits = (p: readonly number[]): boolean =>
    walls.some(({ axis, at, u, v, window }) => {
      if (Math.abs(p[axis]! - at) >= half[axis]!) return false;
      const [a, b] = others[axis];
      const [au, av] = [
        [p[a]! - half[a]!, p[a]! + half[a]!],
        [p[b]! - half[b]!, p[b]! + half[b]!],
      ] as const;
      if (au[1]! <= u[0] || au[0]! >= u[1] || av[1]! <= v[0] || av[0]! >= v[1]) return false;
      return !(
        window &&
        au[0]! >= window.u[0] &&
        au[1]! <= window.u[1] &&
        av[0]! >= window.v[0] &&
        av[1]! <= window.v[1]
      );
    });
  const queue: (readonly number[])[] = [[0, 0, 0]];
  const seen = new Set(['0,0,0']);
  for (let next = queue.pop(); next; next = queue.pop()) {
    const p = next.map((n, i) => from[i]! + n * STEP);
    if (p.some((x, i) => Math.abs(x) - half[i]! > room[i]! / 2)) return true;
    for (let i = 0; i < 3; i++)
      for (const s of [1, -1]) {
        const to = next.map((n, k) => (k === i ? n + s : n));
        const key = to.join();
        if (seen.has(key)) continue;
        seen.add(key);
        if (!hits(to.map((n, k) => from[k]! + n * STEP))) queue.push(to);
      }
  }
  return false;
}

const size = fc.tuple(...([0, 1, 2] as const).map(() => fc.integer({ min: 10, max: 40 }))) as fc.Arbitrary<
  number[]
>;
const room = fc.tuple(...([0, 1, 2] as const).map(() => fc.integer({ min: 50, max: 160 }))) as fc.Arbitrary<
  number[]
>;

/** Walls of a box round the origin, one of them with a window in its middle. */
function boxWalls(
  inside: readonly number[],
  open?: { axis: 0 | 1 | 2; side: 1 | -1; clear: [number, number]; off: [number, number] },
): Wall[] {
  return ([0, 1, 2] as const).flatMap((axis) =>
    ([1, -1] as const).map((side): Wall => {
      const [a, b] = others[axis];
      const [u, v] = [inside[a]! / 2, inside[b]! / 2];
      const wall: Wall = { axis, at: (side * inside[axis]!) / 2, u: [-u, u], v: [-v, v] };
      return open?.axis === axis && open.side === side
        ? {
            ...wall,
            window: {
              u: [
                Math.max(-u, open.off[0] - open.clear[0] / 2),
                Math.min(u, open.off[0] + open.clear[0] / 2),
              ],
              v: [
                Math.max(-v, open.off[1] - open.clear[1] / 2),
                Math.min(v, open.off[1] + open.clear[1] / 2),
              ],
            },
          }
        : wall;
    }),
  );
}

const asked = (walls: readonly Wall[], thing: readonly number[], from: readonly number[]) => {
  const faces = walls.flatMap(facesOf);
  return wayOut(
    block(thing, { x: from[0]!, y: from[1]!, z: from[2]! }),
    axes,
    wallsOfFaces(faces),
    extentOfFaces(faces),
  );
};

describe('the way out', () => {
  it('of a closed box is none, wherever a thing lies in it', () => {
    fc.assert(
      fc.property(size, room, fc.double({ min: -0.9, max: 0.9, noNaN: true }), (thing, inside, share) => {
        const from = thing.map((s, i) => (share * Math.max(0, inside[i]! - s)) / 2);
        fc.pre(thing.every((s, i) => s < inside[i]! - 1));
        expect(asked(boxWalls(inside), thing, from)).to.equal('none');
      }),
      { numRuns: 25 },
    );
  });

  it('through a window agrees with a brute-force flood, for windows larger and smaller than the thing', () => {
    let out = 0;
    let shut = 0;
    fc.assert(
      fc.property(
        size,
        room,
        fc.constantFrom(0 as const, 1 as const, 2 as const),
        fc.constantFrom(1 as const, -1 as const),
        fc.tuple(fc.integer({ min: -15, max: 25 }), fc.integer({ min: -15, max: 25 })),
        fc.tuple(fc.integer({ min: -25, max: 25 }), fc.integer({ min: -25, max: 25 })),
        (thing, inside, axis, side, more, off) => {
          fc.pre(thing.every((s, i) => s < inside[i]! - 1));
          const [a, b] = others[axis];
          // Near to just fitting, either raster may miss it.
          fc.pre(more.every((m) => m < -1 || m > 5));
          const clear: [number, number] = [
            Math.max(2, thing[a]! + more[0]),
            Math.max(2, thing[b]! + more[1]),
          ];
          // The window lies on the wall with all of it.
          fc.pre(
            Math.abs(off[0]) + clear[0] / 2 <= inside[a]! / 2 &&
              Math.abs(off[1]) + clear[1] / 2 <= inside[b]! / 2,
          );
          const walls = boxWalls(inside, { axis, side, clear, off });
          const from = [0, 0, 0];
          const found = asked(walls, thing, from);
          const flooded = floods(walls, thing, from, inside);
          if (flooded) out += 1;
          else shut += 1;
          // It may give up; it never says the wrong thing.
          if (found !== 'unknown') expect(typeof found === 'object').to.equal(flooded);
          if (typeof found === 'object') {
            const by = found.way.at(-1)!;
            const faces = wallsOfFaces(walls.flatMap(facesOf));
            expect(
              faces.meets(
                block(
                  thing.map((s) => s - 0.9),
                  by,
                ),
              ),
            ).to.equal(false);
          }
        },
      ),
      { numRuns: runs(40) },
    );
    expect(out).to.be.greaterThan(5);
    expect(shut).to.be.greaterThan(5);
  });

  it('along a tube open at one end is found, round the corner of an L as well', () => {
    const tube = boxWalls([30, 30, 400]).filter((w) => !(w.axis === 2 && w.at > 0));
    expect(asked(tube, [28, 28, 60], [0, 0, -100])).to.be.an('object');
    // An L: along x at the bottom, then up at its far end; open on top there.
    const ell: Wall[] = [
      { axis: 1, at: -15, u: [0, 200], v: [0, 200] },
      { axis: 1, at: 15, u: [0, 200], v: [0, 200] },
      { axis: 0, at: 0, u: [-15, 15], v: [0, 40] },
      { axis: 0, at: 200, u: [-15, 15], v: [0, 200] },
      { axis: 0, at: 150, u: [-15, 15], v: [40, 200] },
      { axis: 2, at: 0, u: [0, 200], v: [-15, 15] },
      { axis: 2, at: 40, u: [0, 150], v: [-15, 15] },
    ];
    const found = asked(ell, [25, 25, 25], [30, 0, 20]);
    expect(found).to.be.an('object');
    expect(
      asked([...ell, { axis: 2, at: 200, u: [150, 200], v: [-15, 15] }], [25, 25, 25], [30, 0, 20]),
    ).to.equal('none');
  });

  it('is not reported what does not lie free where it is', () => {
    expect(asked(boxWalls([30, 30, 30]), [40, 10, 10], [0, 0, 0])).to.equal('stuck');
  });
});
