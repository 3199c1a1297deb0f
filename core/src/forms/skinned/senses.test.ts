import { expect } from 'chai';
import { earOf, headForm } from '../../body';
import { adult } from '../../parts/testing/worn.test';
import { lattice } from '../../skin/testing/surfaces';
import type { Mesh } from '../../geometry';
import { senseChecks, type Senses, sensesIn } from './senses';

const head = headForm(adult);
/** A wall so far before the eyes, with an opening about the middle between them; 2 mm cells. */
function wall(aheadMm: number, halfWideMm: number, downMm: number, upMm: number): Mesh {
  const y = head.middle.y + head.front - 12 + aheadMm;
  const mesh = lattice(200, 200, false, (u, v) => ({ x: 200 - 400 * u, y, z: head.eyeZ - 200 + 400 * v }));
  mesh.triangles = mesh.triangles.filter((t) => {
    const x = t.reduce((s, i) => s + mesh.points[i]!.x, 0) / 3;
    const z = t.reduce((s, i) => s + mesh.points[i]!.z, 0) / 3 - head.eyeZ;
    return !(Math.abs(x) < halfWideMm && z > -downMm && z < upMm);
  });
  return mesh;
}
const deg = (rad: number): number => (rad * 180) / Math.PI;

describe('what is seen and heard in a surface', () => {
  it('is the angle to the rim of the opening, by the tangent, in steps of 5°', () => {
    for (const [ahead, half, down] of [
      [40, 90, 30],
      [60, 70, 20],
      [30, 120, 60],
    ] as const) {
      const { sideDeg, downDeg } = sensesIn(wall(ahead, half, down, 20), adult);
      // Each eye lies 31 mm from the middle, and sees outwards.
      expect(sideDeg).to.be.within(
        deg(Math.atan((half - 31) / ahead)) - 6,
        deg(Math.atan((half - 31) / ahead)) + 2,
      );
      expect(downDeg).to.be.within(deg(Math.atan(down / ahead)) - 6, deg(Math.atan(down / ahead)) + 2);
    }
  });

  it('foam straight ahead is no sight at all, nothing there is all of it', () => {
    expect(sensesIn(wall(40, 0, 0, 0), adult)).to.include({ sideDeg: 0, downDeg: 0 });
    expect(sensesIn({ points: [], triangles: [] }, adult)).to.deep.equal({
      sideDeg: 90,
      downDeg: 90,
      hears: true,
    });
  });

  it('one ear in the open is enough to hear; foam beside both is not', () => {
    const beside = (side: 1 | -1): Mesh => {
      const { at } = earOf(head, side);
      return lattice(4, 4, false, (u, v) => ({
        x: side * 120,
        y: at.y - 150 + 300 * u,
        z: at.z - 150 + 300 * v,
      }));
    };
    const [right, left] = [beside(1), beside(-1)];
    expect(sensesIn(right, adult).hears).to.equal(true);
    const both: Mesh = {
      points: [...right.points, ...left.points],
      triangles: [
        ...right.triangles,
        ...left.triangles.map((t) => t.map((v) => v + right.points.length) as [number, number, number]),
      ],
    };
    expect(sensesIn(both, adult).hears).to.equal(false);
    expect(senseChecks(sensesIn(both, adult), 0, () => sensesIn(both, adult)).map((c) => c.id)).to.include(
      'ears',
    );
  });

  it('offers the move that shows most, and none when none does', () => {
    const seen = (downDeg: number): Senses => ({ sideDeg: 90, downDeg, hears: true });
    const [check] = senseChecks(seen(0), 10, (by) => seen(by === -24 ? 25 : by === 8 ? 10 : 0));
    expect(check!.severity).to.equal('stop');
    expect(check!.remedies).to.have.length(1);
    expect(JSON.stringify(check!.remedies[0])).to.include('24 mm down').and.include('-14');
    expect(senseChecks(seen(0), 10, () => seen(0))[0]!.remedies).to.deep.equal([]);
    expect(senseChecks(seen(40), 0, () => seen(90))).to.deep.equal([]);
  });
});
