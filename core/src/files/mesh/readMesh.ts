import type { Mesh, Vec3 } from '../../geometry';
import { fail, ok, type Result } from '../../units';
import { readPly } from './readPly';

/** Larger meshes than this are not scans of people. */
const MOST_TRIANGLES = 4_000_000;

const finite = (mesh: Mesh): Result<Mesh> => {
  if (mesh.triangles.length === 0) return fail('The file holds no triangles.');
  if (mesh.triangles.length > MOST_TRIANGLES)
    return fail(`The file holds ${mesh.triangles.length} triangles; at most ${MOST_TRIANGLES}.`);
  const count = mesh.points.length;
  if (mesh.points.some((p) => !Number.isFinite(p.x) || !Number.isFinite(p.y) || !Number.isFinite(p.z)))
    return fail('A corner has no number for its place.');
  if (mesh.triangles.some((t) => t.some((v) => !(v >= 0 && v < count))))
    return fail('A face names a corner that is not there.');
  return ok(mesh);
};

/** Wavefront OBJ: `v` and `f` lines; polygons are fanned, negative numbers count back. */
function readObj(text: string): Mesh {
  const points: Vec3[] = [];
  const triangles: [number, number, number][] = [];
  for (const line of text.split(/\r?\n/)) {
    const words = line.trim().split(/\s+/);
    if (words[0] === 'v') points.push({ x: Number(words[1]), y: Number(words[2]), z: Number(words[3]) });
    else if (words[0] === 'f') {
      const corners = words.slice(1).map((w) => {
        const n = Number.parseInt(w, 10);
        return n < 0 ? points.length + n : n - 1;
      });
      for (let i = 2; i < corners.length; i++) triangles.push([corners[0]!, corners[i - 1]!, corners[i]!]);
    }
  }
  return { points, triangles };
}

/** STL, binary or ASCII: loose triangles. */
function readStl(bytes: Uint8Array): Mesh {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const points: Vec3[] = [];
  const triangles: [number, number, number][] = [];
  const push = (p: Vec3): void => {
    points.push(p);
    if (points.length % 3 === 0) triangles.push([points.length - 3, points.length - 2, points.length - 1]);
  };
  const count = bytes.length >= 84 ? view.getUint32(80, true) : -1;
  if (bytes.length === 84 + count * 50) {
    for (let t = 0; t < count; t++) {
      for (let c = 0; c < 3; c++) {
        const at = 84 + t * 50 + 12 + c * 12;
        push({
          x: view.getFloat32(at, true),
          y: view.getFloat32(at + 4, true),
          z: view.getFloat32(at + 8, true),
        });
      }
    }
    return { points, triangles };
  }
  const text = new TextDecoder().decode(bytes);
  for (const m of text.matchAll(/vertex\s+(\S+)\s+(\S+)\s+(\S+)/g))
    push({ x: Number(m[1]), y: Number(m[2]), z: Number(m[3]) });
  return { points, triangles };
}

/** Reads OBJ, STL or PLY by its file name. @returns the mesh in the file's own units, or what is wrong. */
export function readMesh(name: string, bytes: Uint8Array): Result<Mesh> {
  const ending = name.toLowerCase().split('.').at(-1);
  const text = (): string => new TextDecoder().decode(bytes);
  if (ending === 'obj') return finite(readObj(text()));
  if (ending === 'stl') return finite(readStl(bytes));
  if (ending === 'ply') {
    const read = readPly(bytes);
    return read.ok ? finite(read.value) : read;
  }
  return fail(`${name} is neither OBJ, STL nor PLY.`);
}
