import { expect } from 'chai';
import fc from 'fast-check';
import type { Vec3 } from '../geometry';
import { type Stick, onGrid } from '../panel';
import { roomBehind } from './behind';
import { newPart } from '../parts';
import { makePart } from '../parts/made';
import { contextOf } from '../parts/testing/worn.test';
import { wallsOf } from './walls';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
const unit = (p: Vec3): Vec3 => {
  const size = Math.hypot(p.x, p.y, p.z);
  return { x: p.x / size, y: p.y / size, z: p.z / size };
};

const box = (widthMm: number, deepMm: number, heightMm: number) => {
  const part = newPart('one', wearer, 'box');
  const params = { ...part.params, held: 'inside', widthMm, deepMm, heightMm };
  return makePart({ ...part, params }, contextOf(), { coarse: true });
};
const size = fc.integer({ min: 15, max: 600 });

describe('room in a part', () => {
  it('behind each wall of a box is what the box is inside, however small or large', () => {
    fc.assert(
      fc.property(size, size, size, (w, d, h) => {
        const { rooms } = box(w, d, h);
        const deep = (id: string): number => {
          const room = rooms.find((r) => r.id === `gap:${id}`)!;
          return room.depthAt(room.middle)!;
        };
        for (const [id, mm] of Object.entries({ face: d, lid: d, front: w, back: w, roof: h, floor: h }))
          expect(deep(id), `${id} of ${w} × ${d} × ${h}`).to.be.closeTo(mm, 0.2);
      }),
      { numRuns: 25 },
    );
  });

  it('along a ray from anywhere inside ends where the box ends', () => {
    const [w, d, h] = [120, 60, 160];
    const { laid } = box(w, d, h);
    const walls = wallsOf(laid, []);
    const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
    const way = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, way, way, way, (x, y, z, dx, dy, dz) => {
        fc.pre(Math.hypot(dx, dy, dz) > 0.1);
        const from = { x: (x - 0.5) * w, y: (y - 0.5) * d, z: z * h };
        const ray = unit({ x: dx, y: dy, z: dz });
        const [low, high] = [
          { x: -w / 2, y: -d / 2, z: 0 },
          { x: w / 2, y: d / 2, z: h },
        ];
        const leaves = (['x', 'y', 'z'] as const).map((a) =>
          Math.abs(ray[a]) < 1e-9 ? Infinity : ((ray[a] > 0 ? high[a] : low[a]) - from[a]) / ray[a],
        );
        expect(walls.reach(from, ray)).to.be.closeTo(Math.min(...leaves), 0.2);
      }),
      { numRuns: 300 },
    );
  });

  it('is open where nothing of the part lies behind', () => {
    const part = newPart('one', wearer, 'shield');
    const { laid } = makePart(part, contextOf(), { coarse: true });
    const walls = wallsOf(laid, []);
    expect(walls.reach({ x: 0, y: -5000, z: 0 }, { x: 0, y: -1, z: 0 })).to.equal(undefined);
    expect(wallsOf([], []).reach({ x: 0, y: 0, z: 0 }, { x: 0, y: 1, z: 0 })).to.equal(undefined);
  });

  it('behind a wall is less where a stick stands, and there alone, however thin it is', () => {
    const { laid } = box(400, 100, 300);
    const face = laid.find((l) => l.panel.id === 'face')!;
    const stick: Stick = {
      id: 's',
      name: 'stick',
      rodId: 'none',
      from: { x: 37, y: 0, z: 0 },
      to: { x: 37, y: 0, z: 300 },
      wide: { x: 1, y: 0, z: 0 },
      section: { shape: 'round', outsideMm: 8 },
      cutMm: [300],
    };
    const behind = roomBehind(face, wallsOf(laid, [stick]));
    for (let n = 0; n <= 200; n++) {
      const share = 0.02 + (0.96 * n) / 200;
      const { x } = onGrid(face.panel.grid, { x: share, y: 0.5 });
      const off = Math.abs(x - 37);
      // The face stands 50 mm before the stick's middle; a polygon of sixteen sides or more stands for the round.
      const expected = off < 3.9 ? 50 - Math.sqrt(16 - off ** 2) : off > 4.1 ? 100 : undefined;
      if (expected !== undefined)
        expect(behind({ x: share, y: 0.5 }), `at ${x}`).to.be.closeTo(expected, 0.4);
    }
  });

  it('in a closed tube is its bore, along its seam as well', () => {
    const part = newPart('one', wearer, 'wand');
    const { laid } = makePart(part, contextOf(), { coarse: true });
    const walls = wallsOf(laid, []);
    const { grid } = laid.find((l) => l.panel.id === 'handle-1')!.panel;
    const bore = 2 * Math.hypot(grid[1]![3]!.x, grid[1]![3]!.y);
    for (const p of grid[1]!) {
      const r = Math.hypot(p.x, p.y);
      expect(walls.reach(p, { x: -p.x / r, y: -p.y / r, z: 0 })).to.be.closeTo(bore, 0.2);
    }
  });

  it('stops at a stick', () => {
    const stick: Stick = {
      id: 's',
      name: 'stick',
      rodId: 'none',
      from: { x: 0, y: 0, z: -100 },
      to: { x: 0, y: 0, z: 100 },
      wide: { x: 1, y: 0, z: 0 },
      section: { shape: 'round', outsideMm: 20 },
      cutMm: [200],
    };
    const walls = wallsOf([], [stick]);
    for (let deg = 0; deg < 360; deg += 7) {
      const t = (deg * Math.PI) / 180;
      const from = { x: 50 * Math.cos(t), y: 50 * Math.sin(t), z: 3 };
      expect(walls.reach(from, { x: -Math.cos(t), y: -Math.sin(t), z: 0 })).to.be.closeTo(40, 0.2);
    }
    expect(walls.reach({ x: 50, y: 0, z: 0 }, { x: 0, y: 1, z: 0 })).to.equal(undefined);
  });
});
