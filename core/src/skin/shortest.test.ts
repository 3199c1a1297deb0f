import { expect } from 'chai';
import fc from 'fast-check';
import { dist3, type Mesh } from '../geometry';
import { shortestWay, vertexAt, wayLengthMm } from './shortest';
import { egg, lattice, tube } from './testing/surfaces';

const length = (mesh: Mesh, a: number, b: number): number => wayLengthMm(mesh, shortestWay(mesh, a, b)!);

describe('shortest ways along a surface', () => {
  it('on a plane it is the straight line, whichever way the triangles lie', () => {
    const wall = lattice(9, 11, false, (u, v) => ({ x: 110 * u, y: 90 * v, z: 0 }));
    fc.assert(
      fc.property(fc.nat(wall.points.length - 1), fc.nat(wall.points.length - 1), (a, b) => {
        expect(length(wall, a, b)).to.be.closeTo(dist3(wall.points[a]!, wall.points[b]!), 1e-3);
      }),
      { numRuns: 25 },
    );
  });

  it('on a sphere it is the great circle: radius times the angle, within half a hundredth', () => {
    const ball = egg(100, 100, 100, 10);
    fc.assert(
      fc.property(fc.nat(ball.points.length - 1), fc.nat(ball.points.length - 1), (a, b) => {
        const [p, q] = [ball.points[a]!, ball.points[b]!];
        const angle = Math.acos(Math.max(-1, Math.min(1, (p.x * q.x + p.y * q.y + p.z * q.z) / 1e4)));
        const found = length(ball, a, b);
        expect(found).to.be.within(angle * 100 * 0.994 - 0.01, angle * 100 * 1.004 + 0.01);
      }),
      { numRuns: 12 },
    );
  });

  it('on a cylinder it is the helix: root of the arc and the rise squared', () => {
    const pipe = tube(() => 50, 160, 64, 8);
    fc.assert(
      fc.property(fc.nat(pipe.points.length - 1), fc.nat(pipe.points.length - 1), (a, b) => {
        const [p, q] = [pipe.points[a]!, pipe.points[b]!];
        const turn = Math.abs(Math.atan2(p.x * q.y - p.y * q.x, p.x * q.x + p.y * q.y));
        // Chords of 64 in place of the arc.
        const arc = ((turn * 64) / (2 * Math.PI)) * 2 * 50 * Math.sin(Math.PI / 64);
        expect(length(pipe, a, b)).to.be.closeTo(Math.hypot(arc, p.z - q.z), 0.02 + 0.002 * arc);
      }),
      { numRuns: 12 },
    );
  });

  it('on a cube, from corner to opposite corner, it is √5 of the edge', () => {
    const cube = egg(1, 1, 1, 6);
    for (const p of cube.points) {
      const most = Math.max(Math.abs(p.x), Math.abs(p.y), Math.abs(p.z));
      Object.assign(p, { x: (50 * p.x) / most, y: (50 * p.y) / most, z: (50 * p.z) / most });
    }
    const at = (s: number) => vertexAt(cube, { x: 50 * s, y: 50 * s, z: 50 * s });
    expect(length(cube, at(-1), at(1))).to.be.closeTo(100 * Math.sqrt(5), 0.05);
  });

  it('there is none between shells that do not meet', () => {
    const [one, other] = [egg(10, 10, 10, 2), egg(10, 10, 10, 2)];
    const base = one.points.length;
    const both: Mesh = {
      points: [...one.points, ...other.points.map((p) => ({ ...p, x: p.x + 100 }))],
      triangles: [
        ...one.triangles,
        ...other.triangles.map(([a, b, c]): [number, number, number] => [a + base, b + base, c + base]),
      ],
    };
    expect(shortestWay(both, 0, base)).to.equal(undefined);
  });
});
