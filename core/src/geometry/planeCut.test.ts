import { expect } from 'chai';
import fc from 'fast-check';
import { dist3, dot3, planeCut, sub3, unit3, type Mesh, type Vec3 } from '.';

const corner = (x: number, y: number, z: number): Vec3 => ({ x, y, z });

/** A box from nought to its sides, closed. */
const boxMesh = (a: number, b: number, c: number): Mesh => ({
  points: [0, 1].flatMap((z) => [0, 1].flatMap((y) => [0, 1].map((x) => corner(x * a, y * b, z * c)))),
  triangles: [
    [0, 2, 1],
    [1, 2, 3],
    [4, 5, 6],
    [5, 7, 6],
    [0, 1, 4],
    [1, 5, 4],
    [2, 6, 3],
    [3, 6, 7],
    [0, 4, 2],
    [2, 4, 6],
    [1, 3, 5],
    [3, 7, 5],
  ],
});

const lengthOf = (cut: [Vec3, Vec3][]): number => cut.reduce((sum, [p, q]) => sum + dist3(p, q), 0);

describe('a plane through a mesh', () => {
  it('cuts a box level along its four sides', () => {
    const cut = planeCut(boxMesh(40, 30, 20), corner(0, 0, 7), corner(0, 0, 1));
    expect(lengthOf(cut)).to.be.closeTo(2 * (40 + 30), 1e-9);
    for (const p of cut.flat()) expect(p.z).to.be.closeTo(7, 1e-9);
  });

  it('misses what lies on one side of it', () => {
    expect(planeCut(boxMesh(40, 30, 20), corner(0, 0, 21), corner(0, 0, 1))).to.deep.equal([]);
  });

  it('cuts a closed mesh in closed lines, whichever way it lies', () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 0.1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
        ),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        ([x, y, z], share) => {
          const normal = unit3({ x, y, z });
          const at = corner(40 * share, 30 * share, 20 * share);
          const cut = planeCut(boxMesh(40, 30, 20), at, normal);
          expect(cut.length).to.be.greaterThan(2);
          for (const p of cut.flat()) {
            expect(Math.abs(dot3(sub3(p, at), normal))).to.be.lessThan(1e-9);
            expect(cut.flat().filter((q) => dist3(p, q) < 1e-6).length % 2).to.equal(0);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
