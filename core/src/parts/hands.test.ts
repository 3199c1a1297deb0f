import { expect } from 'chai';
import type { Side } from '../document';
import { cross3, dot3, sub3, type Vec2, type Vec3 } from '../geometry';
import { partReport } from './partReport';
import { placingOf, sidesOf } from './placing';
import { adult, contextOf, partOf } from './testing/worn.test';

const worn = (side: Side) => {
  const part = partOf('greave', { halves: 1, gapMm: 40 });
  return partReport({ ...part, mount: { to: 'wearer', zone: 'lowerLeg', side } }, contextOf());
};

const area = (a: Vec2, b: Vec2, c: Vec2): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/**
 * The piece as it is cut for a side (flipped or not), folded so that its drawn face is out: whether it turns the same
 * way round as the surface on that side of the wearer, seen from outside.
 */
function liesOn(side: 'left' | 'right', flipped: boolean): boolean {
  const made = worn(side);
  const place = placingOf(adult, [made], made.id, side === 'left' ? -1 : 1);
  const { grid, flat } = made.surfaces[0]!;
  const middle = (row: Vec3[]): Vec3 => {
    const all = row.map(place);
    const n = all.length;
    return all.reduce((s, p) => ({ x: s.x + p.x / n, y: s.y + p.y / n, z: s.z + p.z / n }), {
      x: 0,
      y: 0,
      z: 0,
    });
  };
  const signs = new Set<boolean>();
  for (let r = 1; r < grid.length; r++)
    for (let c = 1; c < grid[r]!.length; c++) {
      const [p, q, s] = [grid[r - 1]![c - 1]!, grid[r - 1]![c]!, grid[r]![c - 1]!].map(place) as [
        Vec3,
        Vec3,
        Vec3,
      ];
      const out = sub3(p, middle(grid[r - 1]!));
      const inSpace = dot3(cross3(sub3(q, p), sub3(s, p)), out) > 0;
      const turn = (v: Vec2): Vec2 => (flipped ? { x: -v.x, y: v.y } : v);
      const onPaper = area(turn(flat[r - 1]![c - 1]!), turn(flat[r - 1]![c]!), turn(flat[r]![c - 1]!)) > 0;
      signs.add(inSpace === onPaper);
    }
  expect(signs.size, 'the whole piece turns one way').to.equal(1);
  return signs.has(true);
}

describe('hands', () => {
  it('a part for the right is cut as drawn, one for the left flipped, and each lies on the limb it names', () => {
    for (const side of ['left', 'right'] as const) {
      const { pieces } = worn(side);
      expect(pieces[0]!.quantity).to.equal(1);
      const flipped = pieces[0]!.flipped === 1;
      expect(flipped).to.equal(side === 'left');
      expect(liesOn(side, flipped), `${side}, as it is cut`).to.equal(true);
      expect(liesOn(side, !flipped), `${side}, the other way`).to.equal(false);
    }
  });

  it('a pair has one of each', () => {
    const { pieces } = worn('pair');
    expect([pieces[0]!.quantity, pieces[0]!.flipped, pieces[0]!.hand]).to.deep.equal([2, 1, 'pair']);
  });

  it('stand on their own side of the wearer: x is the wearer’s right', () => {
    for (const [side, sign] of [
      ['right', 1],
      ['left', -1],
    ] as const) {
      const made = worn(side);
      expect(sidesOf(made)).to.deep.equal([sign]);
      const place = placingOf(adult, [made], made.id, sign);
      for (const p of made.surfaces[0]!.grid.flat()) expect(place(p).x * sign).to.be.greaterThan(0);
    }
  });
});
