import { expect } from 'chai';
import fc from 'fast-check';
import type { Mesh } from '../../geometry';
import { egg } from '../../skin/testing/surfaces';
import { mended } from '../../skin';
import { readSurface } from './readSurface';
import { deviationMm, simplified } from './simplified';
import { glbOf, objOf, stlOf } from './writeMesh';

const ball = egg(100, 100, 100, 12);
const spread = ({ points }: Mesh): number =>
  Math.max(...points.map((p) => p.z)) - Math.min(...points.map((p) => p.z));

describe('surfaces from files', () => {
  it('the same ball from STL, OBJ and glTF, which is in metres', async () => {
    const solids = [{ name: 'ball', mesh: ball }];
    for (const [name, bytes, perUnit] of [
      ['b.stl', stlOf(solids), 1],
      ['b.obj', new TextEncoder().encode(objOf(solids)), 1],
      ['b.glb', await glbOf(solids), 1000],
    ] as const) {
      const read = await readSurface(name, bytes);
      if (!read.ok) throw new Error(read.message);
      expect(read.value.triangles, name).to.have.length(ball.triangles.length);
      expect(mended(read.value).mesh.points, name).to.have.length(ball.points.length);
      expect(Math.max(...[spread(read.value) * perUnit]), name).to.be.closeTo(200, 0.1);
    }
  });

  it('says what is wrong with a file that is none, names others, or is broken; nothing hangs or throws', async () => {
    const text = (s: string) => new TextEncoder().encode(s);
    const no = async (name: string, bytes: Uint8Array): Promise<string> => {
      const read = await readSurface(name, bytes);
      return read.ok ? 'read' : read.message;
    };
    expect(await no('a.txt', text('x'))).to.include('neither OBJ, STL, PLY nor glTF');
    expect(await no('a.glb', text('glTF'))).to.include('cannot be read as glTF');
    expect(
      await no('a.gltf', text('{"asset":{"version":"2.0"},"buffers":[{"uri":"a.bin","byteLength":4}]}')),
    ).to.include('names other files');
    expect(await no('a.gltf', text('{"asset":{"version":"2.0"}}'))).to.equal('The file holds no triangles.');
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom('a.glb', 'a.gltf', 'a.obj', 'a.stl', 'a.ply'),
        fc.uint8Array({ maxLength: 300 }),
        async (name, bytes) => {
          expect(await no(name, bytes)).to.be.a('string');
        },
      ),
      { numRuns: 60 },
    );
    const whole = await glbOf([{ name: 'ball', mesh: ball }]);
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 0, max: whole.length - 1 }),
        fc.integer({ min: 0, max: 255 }),
        async (at, byte) => {
          const bytes = whole.slice();
          bytes[at] = byte;
          expect(await no('a.glb', bytes)).to.be.a('string');
          expect(await no('a.glb', whole.slice(0, at))).to.be.a('string');
        },
      ),
      { numRuns: 25 },
    );
  });

  it('simplified to a tenth, every point of it is on the ball, and the ball is no further from it than is reported', async () => {
    const fine = egg(100, 100, 100, 50);
    const made = await simplified(fine, 3000);
    expect(fine.triangles.length).to.equal(30_000);
    expect(made.mesh.triangles.length).to.be.within(2000, 3000);
    // By the ball itself: the middle of a chord is nearest to its centre, at its corners it is on the ball.
    const least = Math.min(
      ...made.mesh.triangles.map((t) => {
        const m = t.map((v) => made.mesh.points[v]!);
        return Math.hypot(...(['x', 'y', 'z'] as const).map((k) => (m[0]![k] + m[1]![k] + m[2]![k]) / 3));
      }),
    );
    expect(made.deviationMm).to.be.within(0.05, 1.2);
    expect(100 - least).to.be.at.most(made.deviationMm * 1.3 + 0.05);
    expect(deviationMm(fine, fine)).to.be.below(1e-6);
    expect((await simplified(ball, 5000)).mesh).to.equal(ball);
  });
});
