import type { BufferGeometry } from 'three';
import { PLYLoader } from 'three/addons/loaders/PLYLoader.js';
import { STLLoader } from 'three/addons/loaders/STLLoader.js';
import type { Mesh, Vec3 } from '../../geometry';
import { fail, ok, type Result, itemAt } from '../../units';
import { readObj } from './obj';
import { PLY_SHORT, plyPromise, stlFault } from './promised';

/** Larger meshes than this are not scans of people. */
const MOST_TRIANGLES = 4_000_000;

/** Corners and triangles of geometries, put together; what is no surface is left out. Loops: there may be millions. */
function meshOf(geometries: readonly BufferGeometry[]): Mesh {
  const mesh: Mesh = { points: [], triangles: [] };
  for (const { attributes, index } of geometries) {
    const base = mesh.points.length;
    const { array, count } = attributes.position!;
    for (let i = 0; i < count * 3; i += 3)
      mesh.points.push({ x: itemAt(array, i), y: itemAt(array, i + 1), z: itemAt(array, i + 2) });
    const corners = index?.array;
    const corner = (i: number): number => base + (corners ? itemAt(corners, i) : i);
    for (let i = 0; i + 2 < (index?.count ?? count); i += 3)
      mesh.triangles.push([corner(i), corner(i + 1), corner(i + 2)]);
  }
  return mesh;
}

const placed = ({ x, y, z }: Vec3): boolean => Number.isFinite(x + y + z);

function checked(mesh: Mesh): Result<Mesh> {
  if (mesh.triangles.length === 0) return fail('The file holds no triangles.');
  if (mesh.triangles.length > MOST_TRIANGLES)
    return fail(`The file holds ${mesh.triangles.length} triangles; at most ${MOST_TRIANGLES}.`);
  const count = mesh.points.length;
  const there = (v: number): boolean => v >= 0 && v < count;
  if (!mesh.triangles.every(([a, b, c]) => there(a) && there(b) && there(c)))
    return fail('A face names a corner that is not there.');
  if (!mesh.points.every(placed))
    return fail('A corner has no number for its place, or a face names a corner that is not there.');
  return ok(mesh);
}

const bufferOf = ({ buffer, byteOffset, byteLength }: Uint8Array): ArrayBuffer =>
  buffer.slice(byteOffset, byteOffset + byteLength) as ArrayBuffer;

function readStl(bytes: Uint8Array): Result<Mesh> {
  const fault = stlFault(bytes);
  return fault === undefined ? checked(meshOf([new STLLoader().parse(bufferOf(bytes))])) : fail(fault);
}

function readPly(bytes: Uint8Array): Result<Mesh> {
  const promise = plyPromise(bytes);
  if (!promise.ok) return promise;
  const geometry = new PLYLoader().parse(bufferOf(bytes));
  // Without faces it is a cloud of points.
  const mesh = meshOf(geometry.index ? [geometry] : []);
  return mesh.triangles.length < promise.value.faces ? fail(PLY_SHORT) : checked(mesh);
}

const readers: Record<string, (bytes: Uint8Array) => Result<Mesh>> = {
  obj: (bytes) => {
    const read = readObj(bytes, MOST_TRIANGLES);
    return read.ok ? checked(read.value) : read;
  },
  stl: readStl,
  ply: readPly,
};

/**
 * Reads OBJ, STL or PLY by its file name. What a header promises is held against the size of the file before
 * anything is made room for. @returns the mesh in the file's own units, or what is wrong.
 */
export function readMesh(name: string, bytes: Uint8Array): Result<Mesh> {
  const ending = name.toLowerCase().split('.').at(-1) ?? '';
  const read = readers[ending];
  if (!read) return fail(`${name} is neither OBJ, STL nor PLY.`);
  try {
    return read(bytes);
  } catch {
    return fail(`${name} cannot be read as ${ending.toUpperCase()}.`);
  }
}
