import { itemAt } from '../../units';
import { Document, WebIO } from '@gltf-transform/core';
import { cross3, length3, type Mesh, scale3, sub3, type Vec3 } from '../../geometry';
import { withoutControls } from '../text';

/** A solid that leaves, with its name. */
export interface NamedSolid {
  name: string;
  mesh: Mesh;
}

export type SolidFormat = 'stl' | 'obj' | 'glb';

const normalOf = (a: Vec3, b: Vec3, c: Vec3): Vec3 => {
  const n = cross3(sub3(b, a), sub3(c, a));
  const size = length3(n);
  return size > 0 ? scale3(n, 1 / size) : n;
};

/** Binary STL: 80 bytes of words, a count, then a normal and three corners for every triangle; millimetres. */
export function stlOf(solids: readonly NamedSolid[]): Uint8Array {
  const count = solids.reduce((sum, s) => sum + s.mesh.triangles.length, 0);
  const bytes = new Uint8Array(84 + 50 * count);
  bytes.set(new TextEncoder().encode('millimetres').slice(0, 80));
  const view = new DataView(bytes.buffer);
  view.setUint32(80, count, true);
  let at = 84;
  for (const { mesh } of solids)
    for (const corners of mesh.triangles) {
      const [a, b, c] = corners.map((i) => itemAt(mesh.points, i)) as [Vec3, Vec3, Vec3];
      for (const p of [normalOf(a, b, c), a, b, c]) {
        view.setFloat32(at, p.x, true);
        view.setFloat32(at + 4, p.y, true);
        view.setFloat32(at + 8, p.z, true);
        at += 12;
      }
      at += 2;
    }
  return bytes;
}

/** OBJ: an object for every solid, millimetres. */
export function objOf(solids: readonly NamedSolid[]): string {
  const n = (v: number): string => String(Number(v.toFixed(4)));
  let base = 1;
  const lines = ['# millimetres'];
  for (const { name, mesh } of solids) {
    lines.push(`o ${withoutControls(name).replace(/\s+/g, '_')}`);
    for (const p of mesh.points) lines.push(`v ${n(p.x)} ${n(p.y)} ${n(p.z)}`);
    for (const [a, b, c] of mesh.triangles) lines.push(`f ${a + base} ${b + base} ${c + base}`);
    base += mesh.points.length;
  }
  return `${lines.join('\n')}\n`;
}

/** glTF 2.0 in one binary file: a node for every solid; metres with y up, as the format has it. */
export async function glbOf(solids: readonly NamedSolid[]): Promise<Uint8Array> {
  const doc = new Document();
  const buffer = doc.createBuffer();
  const scene = doc.createScene();
  for (const { name, mesh } of solids) {
    const position = new Float32Array(mesh.points.flatMap((p) => [p.x / 1000, p.z / 1000, -p.y / 1000]));
    const primitive = doc
      .createPrimitive()
      .setAttribute('POSITION', doc.createAccessor().setType('VEC3').setArray(position).setBuffer(buffer))
      .setIndices(
        doc
          .createAccessor()
          .setType('SCALAR')
          .setArray(new Uint32Array(mesh.triangles.flat()))
          .setBuffer(buffer),
      );
    scene.addChild(doc.createNode(name).setMesh(doc.createMesh(name).addPrimitive(primitive)));
  }
  return new WebIO().writeBinary(doc);
}

/** Solids in a format, as bytes or text. */
export async function solidFile(
  solids: readonly NamedSolid[],
  format: SolidFormat,
): Promise<Uint8Array | string> {
  if (format === 'stl') return stlOf(solids);
  return format === 'obj' ? objOf(solids) : glbOf(solids);
}
