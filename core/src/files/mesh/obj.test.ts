import { expect } from 'chai';
import fc from 'fast-check';
import { type BufferGeometry, Mesh as Solid } from 'three';
import { OBJLoader } from 'three/addons/loaders/OBJLoader.js';
import type { Vec3 } from '../../geometry';
import { readObj } from './obj';

const read = (text: string) => {
  const result = readObj(new TextEncoder().encode(text), 1000);
  if (!result.ok) throw new Error(result.message);
  return result.value;
};

/** Every corner of every triangle as three.js, a general-purpose library, reads them. */
function byThree(text: string): number[] {
  const found: number[] = [];
  new OBJLoader().parse(text).traverse((o) => {
    if (o instanceof Solid) found.push(...(o.geometry as BufferGeometry).attributes['position']!.array);
  });
  return found;
}

const spell = fc.oneof(
  fc.double({ min: -1e4, max: 1e4, noNaN: true }).map(String),
  fc.double({ min: -1, max: 1, noNaN: true }).map((v) => v.toExponential(4)),
  fc.integer({ min: -900, max: 900 }).map((v) => `${v}.`),
  fc.float({ min: -1, max: 1, noNaN: true }).map((v) => v.toFixed(20)),
);

describe('a reader of OBJ', () => {
  it('reads what three.js reads: slashes, corners counted backwards, faces of many corners, exponents', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(spell, spell, spell), { minLength: 5, maxLength: 12 }),
        fc.array(fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 3, maxLength: 6 }), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.constantFrom(
          (v: number) => `${v + 1}`,
          (v: number) => `${v + 1}/1/1`,
          (v: number) => `${v - 5}//2`,
        ),
        fc.constantFrom('\n', '\r\n'),
        (corners, faces, name, end) => {
          const used = corners.slice(0, 5);
          const text = [
            '# a comment with f 1 2 3',
            'o thing',
            ...used.map((c) => `v ${c.join(' ')}`),
            'vt 0 0',
            'vn 0 0 1',
            'vn 0 1 0',
            ...faces.map((f) => `f  ${f.map(name).join(' ')} `),
          ].join(end);
          const mesh = read(text);
          const ours = mesh.triangles.flatMap((t) =>
            t.flatMap((v) => [mesh.points[v]!.x, mesh.points[v]!.y, mesh.points[v]!.z]),
          );
          expect(mesh.points).to.have.length(5);
          // It keeps single precision.
          expect(ours.map(Math.fround)).to.deep.equal(byThree(text).map(Math.fround));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('reads every number as the platform does, to the last bit', () => {
    fc.assert(
      fc.property(fc.array(spell, { minLength: 3, maxLength: 3 }), (words) => {
        const [point] = read(`v ${words.join('\t')}`).points as [Vec3];
        expect([point.x, point.y, point.z]).to.deep.equal(words.map(Number));
      }),
      { numRuns: 400 },
    );
  });

  it('goes on in the next line after a backslash, and names the line that breaks it', () => {
    const corners = 'v 0 0 0\nv 1 0 0\nv 0 1 0\nv 1 1 0\n';
    expect(read(`${corners}f 1 2 \\\n 3 4\n`).triangles).to.deep.equal([
      [0, 1, 2],
      [0, 2, 3],
    ]);
    const refused = readObj(new TextEncoder().encode(`${corners}f 1 \\\n 2 3\nf${' 1'.repeat(1001)}\n`), 10);
    expect(refused).to.deep.equal({
      ok: false,
      message: 'Line 7: a face of 1001 corners; at most 1000 are read.',
    });
  });

  it('takes what is no number for none, and a corner without a number for one that is not there', () => {
    expect(Number.isNaN(read('v 1 two 3').points[0]!.y)).to.equal(true);
    expect(Number.isNaN(read('v 1 2').points[0]!.z)).to.equal(true);
    expect(Number.isNaN(read('v 0x10 1 1').points[0]!.x)).to.equal(true);
    expect(read('v 0 0 0\nv 1 0 0\nf 1 x 2').triangles).to.deep.equal([[0, -1, 1]]);
    // Cut to 32 bits it would be the first.
    expect(read('v 0 0 0\nv 1 0 0\nf 4294967297 1 2').triangles).to.deep.equal([[-1, 0, 1]]);
  });
});
