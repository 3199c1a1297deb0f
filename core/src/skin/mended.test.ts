import { expect } from 'chai';
import fc from 'fast-check';
import { type Mesh, meshArea, meshVolume } from '../geometry';
import { chance } from '../units';
import { mended } from './mended';
import { keepMesh, meshOf } from './kept';
import { egg, tube } from './testing/surfaces';

/** Every triangle with corners of its own, as STL has them. */
const soup = ({ points, triangles }: Mesh): Mesh => ({
  points: triangles.flatMap((t) => t.map((v) => ({ ...points[v]! }))),
  triangles: triangles.map((_, i): [number, number, number] => [3 * i, 3 * i + 1, 3 * i + 2]),
});

describe('a surface mended', () => {
  const ball = egg(100, 100, 100, 10);

  it('from loose triangles, some turned, some twice, some empty: the ball it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1000 }), (seed) => {
        const random = chance(seed);
        const broken = soup(ball);
        // Fewer than half of them turned.
        const turned = broken.triangles.map((_, i) => i > 0 && random() < 0.3);
        broken.triangles = broken.triangles.map(([a, b, c], i) => (turned[i] ? [a, c, b] : [a, b, c]));
        const twice = broken.triangles.filter(() => random() < 0.05);
        const empty: Mesh['triangles'] = [[0, 0, 1]];
        const { mesh, mending } = mended({
          points: broken.points,
          triangles: [...broken.triangles, ...twice, ...empty],
        });
        expect(meshVolume(mesh)).to.be.closeTo(meshVolume(ball), 1e-6 * meshVolume(ball));
        expect(mesh.points).to.have.length(ball.points.length);
        expect(mending).to.deep.include({
          welded: broken.points.length - ball.points.length,
          dropped: twice.length + 1,
          turned: turned.filter(Boolean).length,
          bits: 0,
          shells: 1,
          openings: 0,
          split: 0,
        });
      }),
      { numRuns: 20 },
    );
  });

  it('closes a small hole, leaves a large one, and drops a loose bit', () => {
    const bit = egg(2, 2, 2, 2);
    const base = ball.points.length;
    const one: Mesh = {
      points: [...ball.points, ...bit.points.map((p) => ({ ...p, x: p.x + 300 }))],
      triangles: [
        ...ball.triangles.slice(1),
        ...bit.triangles.map(([a, b, c]): [number, number, number] => [a + base, b + base, c + base]),
      ],
    };
    const made = mended(one);
    expect(made.mending).to.deep.include({ closed: 1, openings: 0, bits: 1, shells: 1 });
    expect(meshVolume(made.mesh)).to.be.closeTo(meshVolume(ball), 0.002 * meshVolume(ball));
    const pipe = mended(tube(() => 40, 100));
    expect(pipe.mending).to.deep.include({ closed: 0, openings: 2 });
    expect(meshArea(pipe.mesh)).to.be.closeTo(meshArea(tube(() => 40, 100)), 1e-6);
  });

  it('turned inside out altogether, it looks outwards again', () => {
    const inside = {
      ...ball,
      triangles: ball.triangles.map(([a, b, c]): [number, number, number] => [a, c, b]),
    };
    expect(meshVolume(inside)).to.be.below(0);
    expect(meshVolume(mended(inside).mesh)).to.be.closeTo(meshVolume(ball), 1e-6 * meshVolume(ball));
  });

  it('is kept to a tenth of a millimetre and comes back', () => {
    const back = meshOf(keepMesh('m', 'ball', ball));
    expect(back.triangles).to.deep.equal(ball.triangles);
    back.points.forEach((p, i) =>
      expect(
        Math.hypot(p.x - ball.points[i]!.x, p.y - ball.points[i]!.y, p.z - ball.points[i]!.z),
      ).to.be.below(0.1),
    );
  });
});
