import { expect } from 'chai';
import { readSurface } from './readSurface';

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const LIMIT_MS = 2000;

async function refused(name: string, bytes: Uint8Array): Promise<string> {
  const from = process.cpuUsage();
  const read = await readSurface(name, bytes);
  const { user, system } = process.cpuUsage(from);
  if (read.ok) throw new Error(`${name} was read`);
  expect((user + system) / 1000, read.message).to.be.lessThan(LIMIT_MS);
  return read.message;
}

const triangle = new Float32Array([0, 0, 0, 1, 0, 0, 0, 1, 0]);
const base64 = Buffer.from(triangle.buffer).toString('base64');
const gltf = (change: object): Uint8Array =>
  utf8(
    JSON.stringify({
      asset: { version: '2.0' },
      buffers: [{ byteLength: 36, uri: `data:application/octet-stream;base64,${base64}` }],
      bufferViews: [{ buffer: 0, byteLength: 36 }],
      accessors: [{ componentType: 5126, type: 'VEC3', count: 3, bufferView: 0 }],
      meshes: [{ primitives: [{ attributes: { POSITION: 0 } }] }],
      nodes: [{ mesh: 0 }],
      scenes: [{ nodes: [0] }],
      ...change,
    }),
  );

describe('files that promise more than they hold', () => {
  it('are refused by name at once: glTF', async () => {
    expect((await readSurface('a.gltf', gltf({}))).ok).to.equal(true);
    const accessor = { componentType: 5126, type: 'VEC3', count: 3, bufferView: 0 };
    const cases: [object, RegExp][] = [
      [
        { accessors: [{ componentType: 5126, type: 'VEC3', count: 600_000_000 }] },
        /accessor 0 has no numbers/,
      ],
      [{ accessors: [{ ...accessor, count: 600_000_000 }] }, /promises 600000000 elements/],
      [{ accessors: [{ ...accessor, sparse: { count: 4e8 } }] }, /changes more/],
      [{ accessors: [{ ...accessor, count: -1 }] }, /no count/],
      [{ nodes: Array.from({ length: 20_000 }, (_, i) => ({ mesh: 0, children: [i + 1] })) }, /200 deep/],
      [{ nodes: Array.from({ length: 20_001 }, () => ({ mesh: 0 })) }, /20001 nodes/],
    ];
    for (const [change, says] of cases) expect(await refused('a.gltf', gltf(change))).to.match(says);
  });

  it('are refused by name at once: .glb, as long as it says or not', async () => {
    const json = gltf({ accessors: [{ componentType: 5126, type: 'VEC3', count: 600_000_000 }] });
    const glb = new Uint8Array(20 + json.length);
    const view = new DataView(glb.buffer);
    [0x46546c67, 2, glb.length, json.length, 0x4e4f534a].forEach((v, i) => view.setUint32(4 * i, v, true));
    glb.set(json, 20);
    expect(await refused('a.glb', glb)).to.match(/accessor 0/);
    view.setUint32(12, 4e9, true);
    expect(await refused('a.glb', glb)).to.match(/cannot be read/);
  });

  it('are refused by name at once: PLY', async () => {
    const hollow =
      'ply\nformat ascii 1.0\nelement ghost 300000000\nelement vertex 1\nproperty float x\nend_header\n0\n';
    expect(await refused('a.ply', utf8(hollow))).to.match(/without properties/);
    const last =
      'ply\nformat ascii 1.0\nelement vertex 1\nproperty float x\nelement face 300000000\nend_header\n0\n';
    expect(await refused('a.ply', utf8(last))).to.match(/without properties/);
  });

  it('are refused by the line: OBJ', async () => {
    const corners = 'v 0 0 0\nv 1 0 0\nv 0 1 0\n';
    expect(await refused('a.obj', utf8(`${corners}f${' 1 2 3'.repeat(1_000_000)}\n`))).to.match(
      /^Line 4: a face of 3000000 corners/,
    );
    expect(await refused('a.obj', utf8(`${corners}${`f${' 1'.repeat(900)}\n`.repeat(5000)}`))).to.match(
      /^Line \d+: more than 4000000 triangles/,
    );
    expect((await readSurface('a.obj', utf8(`${corners}f 1 2 3`))).ok).to.equal(true);
  });
});
