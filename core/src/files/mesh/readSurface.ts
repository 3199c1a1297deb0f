import { type Document, Primitive, WebIO } from '@gltf-transform/core';
import type { Mesh } from '../../geometry';
import { fail, ok, type Result, firstOf, itemAt } from '../../units';
import { glbJson, gltfPromise } from './gltfPromise';
import { readMesh } from './readMesh';

const MOST_TRIANGLES = 4_000_000;

/** Triangles of every node where it stands, in the file's metres. */
function meshOf(document: Document): Result<Mesh> {
  const mesh: Mesh = { points: [], triangles: [] };
  for (const node of document.getRoot().listNodes()) {
    const m = node.getWorldMatrix();
    for (const primitive of node.getMesh()?.listPrimitives() ?? []) {
      const position = primitive.getAttribute('POSITION');
      if (primitive.getMode() !== Primitive.Mode.TRIANGLES || !position) continue;
      const base = mesh.points.length;
      const p: number[] = [];
      for (let i = 0; i < position.getCount(); i++) {
        position.getElement(i, p);
        const [x, y, z] = [firstOf(p), itemAt(p, 1), itemAt(p, 2)];
        mesh.points.push({
          x: m[0] * x + m[4] * y + m[8] * z + m[12],
          y: m[1] * x + m[5] * y + m[9] * z + m[13],
          z: m[2] * x + m[6] * y + m[10] * z + m[14],
        });
      }
      const corners = primitive.getIndices();
      const count = corners?.getCount() ?? position.getCount();
      if (mesh.triangles.length + count / 3 > MOST_TRIANGLES)
        return fail(`The file holds more than ${MOST_TRIANGLES} triangles.`);
      const corner = (i: number): number => base + (corners ? corners.getScalar(i) : i);
      for (let i = 0; i + 2 < count; i += 3) {
        const t: [number, number, number] = [corner(i), corner(i + 1), corner(i + 2)];
        if (t.some((v) => v >= mesh.points.length)) return fail('A face names a corner that is not there.');
        mesh.triangles.push(t);
      }
    }
  }
  if (mesh.triangles.length === 0) return fail('The file holds no triangles.');
  return mesh.points.every(({ x, y, z }) => Number.isFinite(x + y + z))
    ? ok(mesh)
    : fail('A corner has no number for its place.');
}

/** Reads a surface from OBJ, STL, PLY or glTF (.glb, or .gltf with all it needs in it), in the file's own units. */
export async function readSurface(name: string, bytes: Uint8Array): Promise<Result<Mesh>> {
  const ending = name.toLowerCase().split('.').at(-1) ?? '';
  if (ending !== 'glb' && ending !== 'gltf') {
    const read = readMesh(name, bytes);
    return read.ok || !read.message.includes('neither')
      ? read
      : fail(`${name} is neither OBJ, STL, PLY nor glTF.`);
  }
  try {
    const io = new WebIO();
    if (ending === 'glb') {
      const inner = glbJson(bytes);
      if (!inner) return fail(`${name} cannot be read as glTF.`);
      const held = gltfPromise(inner, bytes.length);
      return held.ok ? meshOf(await io.readBinary(bytes)) : held;
    }
    const json = JSON.parse(new TextDecoder().decode(bytes)) as Parameters<WebIO['readJSON']>[0]['json'];
    const away = [...(json.buffers ?? []), ...(json.images ?? [])].some(
      (b) => b.uri !== undefined && !b.uri.startsWith('data:'),
    );
    if (away) return fail(`${name} names other files; save it as one file (.glb).`);
    const held = gltfPromise(json, bytes.length);
    return held.ok ? meshOf(await io.readJSON({ json, resources: {} })) : held;
  } catch {
    return fail(`${name} cannot be read as glTF.`);
  }
}
