import type { GLTF } from '@gltf-transform/core';
import { fail, ok, type Result, itemAt } from '../../units';

/** Nodes one below another; no program makes more. */
const MOST_DEEP = 200;
const MOST_NODES = 20_000;
/** Points of all places a mesh stands in. */
const MOST_POINTS = 12_000_000;

/** Bytes of glTF's component types, and components of its element types (glTF 2.0, 3.6.2.2). */
const componentBytes: Record<number, number> = { 5120: 1, 5121: 1, 5122: 2, 5123: 2, 5125: 4, 5126: 4 };
const components: Record<string, number> = {
  SCALAR: 1,
  VEC2: 2,
  VEC3: 3,
  VEC4: 4,
  MAT2: 4,
  MAT3: 9,
  MAT4: 16,
};

const isCount = (value: unknown): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0;

/** The JSON of a .glb: its first chunk (glTF 2.0, 4.4.3); nothing when there is none. */
export function glbJson(bytes: Uint8Array): GLTF.IGLTF | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 20 || view.getUint32(16, true) !== 0x4e4f534a) return undefined;
  const length = view.getUint32(12, true);
  if (20 + length > bytes.length) return undefined;
  return JSON.parse(new TextDecoder().decode(bytes.subarray(20, 20 + length))) as GLTF.IGLTF;
}

/** Whether an accessor's numbers are all in the file; what is wrong otherwise. */
function accessorFault(json: GLTF.IGLTF, i: number, fileBytes: number): string | undefined {
  const a = json.accessors![i]!;
  const name = `accessor ${i}`;
  const size = (componentBytes[a.componentType] ?? NaN) * (components[a.type] ?? NaN);
  if (!isCount(a.count) || !(size > 0)) return `${name} has no count or type that glTF knows.`;
  if (a.sparse !== undefined && !(isCount(a.sparse.count) && a.sparse.count <= a.count))
    return `${name} changes more of its numbers than it has.`;
  if (a.bufferView === undefined) return `${name} has no numbers in the file.`;
  const view = json.bufferViews?.[a.bufferView];
  const least = a.count === 0 ? 0 : (a.count - 1) * (view?.byteStride ?? size) + size;
  if (!view || !isCount(view.byteLength) || least > view.byteLength || view.byteLength > fileBytes)
    return `${name} promises ${a.count} elements, more than the file holds.`;
  return undefined;
}

/** The deepest node, found without recursion; nothing when nodes stand in a ring. */
function depthOf(json: GLTF.IGLTF): number | undefined {
  const nodes = json.nodes ?? [];
  const parents = new Int32Array(nodes.length).fill(-1);
  for (const [i, node] of nodes.entries())
    for (const child of node.children ?? []) if (isCount(child) && child < nodes.length) parents[child] = i;
  let deepest = 0;
  for (let i = 0; i < nodes.length; i++) {
    let deep = 1;
    for (let up = itemAt(parents, i); up >= 0; up = itemAt(parents, up))
      if (++deep > MOST_DEEP) return undefined;
    deepest = Math.max(deepest, deep);
  }
  return deepest;
}

/**
 * Holds what a glTF file promises against the bytes there are, before anything is made room for.
 * @param fileBytes length of the whole file, which no buffer in it exceeds.
 * @returns nothing, or a sentence naming what breaks it.
 */
export function gltfPromise(json: GLTF.IGLTF, fileBytes: number): Result<undefined> {
  const { accessors = [], nodes = [], meshes = [] } = json;
  if (nodes.length > MOST_NODES)
    return fail(`The file has ${nodes.length} nodes; at most ${MOST_NODES} are read.`);
  if (depthOf(json) === undefined) return fail(`Nodes stand more than ${MOST_DEEP} deep in one another.`);
  for (let i = 0; i < accessors.length; i++) {
    const fault = accessorFault(json, i, fileBytes);
    if (fault) return fail(`The file is broken: ${fault}`);
  }
  const pointsOf = meshes.map(({ primitives = [] }) =>
    primitives.reduce((sum, p) => sum + (accessors[p.attributes?.['POSITION'] ?? -1]?.count ?? 0), 0),
  );
  const points = nodes.reduce((sum, n) => sum + (n.mesh === undefined ? 0 : (pointsOf[n.mesh] ?? 0)), 0);
  return points > MOST_POINTS
    ? fail(`The file places ${points} points; at most ${MOST_POINTS} are read.`)
    : ok(undefined);
}
