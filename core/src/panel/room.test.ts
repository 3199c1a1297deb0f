import { expect } from 'chai';
import { add3, dot3, sub3 } from '../geometry';
import { makePart } from '../parts';
import { contextOf, foam, partOf } from '../parts/testing/worn.test';
import { boxPanels } from './box';
import { gridOf, onSlice } from './grids';
import { layPanels } from './lay';
import type { Panel } from './panel';
import { between } from './patch';
import { depthUnder, gapRoom } from './room';

const edges = { bottom: 'bottom', right: 'right', top: 'top', left: 'left' };
const tube: Panel = {
  id: 'tube',
  name: 'tube',
  edges,
  grid: gridOf(40, 10, (u, v) => onSlice({ a: 60, b: 60, x: 0, y: 0, z: v * 100 }, 20 + 200 * u, 0)),
};
const [laid] = layPanels([tube], [], () => foam(6), { limit: 0.1, darts: 0 });
/** Deep at the bottom, shallow at the top. */
const gaps = tube.grid.map((row, r) => row.map(() => 30 - 2 * r));

describe('the room behind a panel', () => {
  const room = gapRoom(laid!, (at) => between(gaps, at, (a, b, t) => a + (b - a) * t), 0);

  it('is as deep at a spot as the gap there', () => {
    const at = laid!.flatAt({ x: 0.5, y: 0.5 });
    expect(room.depthAt(at)).to.be.closeTo(20, 0.01);
    expect(room.depthAt({ x: -500, y: 0 })).to.equal(undefined);
  });

  it('is no deeper under a footprint than at its shallowest spot', () => {
    const at = laid!.flatAt({ x: 0.5, y: 0.5 });
    const small = depthUnder(room, { at, widthMm: 4, lengthMm: 4, turnDeg: 0 });
    const long = depthUnder(room, { at, widthMm: 4, lengthMm: 60, turnDeg: 0 });
    const across = depthUnder(room, { at, widthMm: 4, lengthMm: 60, turnDeg: 90 });
    expect(small.depthMm).to.be.within(19.5, 20.05);
    // 60 mm of 100 up the tube: 30 mm above the middle the gap is 6 mm less.
    expect(long.depthMm).to.be.closeTo(14, 0.1);
    expect(across.depthMm).to.be.within(19.5, 20.05);
    expect(long.inside).to.equal(1);
  });

  it('knows how much of a footprint hangs over its edge', () => {
    const at = laid!.flatAt({ x: 0, y: 0.5 });
    expect(depthUnder(room, { at, widthMm: 40, lengthMm: 10, turnDeg: 0 }).inside).to.be.closeTo(0.5, 0.01);
  });

  it('lies inside the shell: a spot at a depth is that far in from the inner face', () => {
    const at = laid!.flatAt({ x: 0.5, y: 0.5 });
    for (const depth of [0, 10]) {
      const p = room.toSpace(at, depth);
      expect(Math.hypot(p.x, p.y)).to.be.closeTo(60 - depth, 0.3);
    }
  });

  it('is less by what lines the shell', () => {
    const part = partOf('bracer');
    const depth = (lining: typeof part.lining): number => {
      const made = makePart({ ...part, lining }, contextOf());
      const own = made.rooms.find((r) => r.id === 'gap:a')!;
      return own.depthAt(made.laid[0]!.flatAt({ x: 0.5, y: 0.4 }))!;
    };
    const [bare, lined] = [depth(null), depth({ foamId: 'light-eva', nominalMm: 2 })];
    // The lining pushes the shell out by its thickness and takes it again.
    expect(lined).to.be.closeTo(bare, 0.6);
  });
});

describe('the room in a box', () => {
  const up = { x: 0, y: 0, z: 1 };
  const across = { x: -1, y: 0, z: 0 };
  const { room, panels } = boxPanels({
    id: 'b',
    name: 'box',
    base: { x: 0, y: 50, z: 100 },
    across,
    up,
    widthMm: 80,
    heightMm: 60,
    deepMm: 25,
  });

  it('is its inside, everywhere', () => {
    for (const [x, y] of [
      [0, 0],
      [35, 25],
      [-38, -28],
    ] as const)
      expect(room.depthAt({ x: room.middle.x + x, y: room.middle.y + y })).to.be.closeTo(25, 1e-6);
    expect(room.depthAt({ x: room.middle.x + 45, y: room.middle.y })).to.equal(undefined);
  });

  it('has a face and four walls that close round it', () => {
    expect(panels).to.have.length(5);
    const centre = add3({ x: 0, y: 50, z: 100 }, { x: 0, y: 12.5, z: 0 });
    for (const p of panels) {
      const middle = p.grid[2]![2]!;
      const [a, b, c] = [p.grid[0]![0]!, p.grid[0]![1]!, p.grid[1]![0]!];
      const [u, v] = [sub3(b, a), sub3(c, a)];
      const n = { x: u.y * v.z - u.z * v.y, y: u.z * v.x - u.x * v.z, z: u.x * v.y - u.y * v.x };
      expect(dot3(n, sub3(middle, centre)), `${p.id} faces out`).to.be.greaterThan(0);
    }
  });
});
