import { firstOf } from '../units';
import { cross3, length3, sub3, type Vec3 } from './vec';

/** Triangles over points; plain arrays so it can cross to a worker and a file unchanged. */
export interface Mesh {
  points: Vec3[];
  triangles: [number, number, number][];
}

export function triangleArea(a: Vec3, b: Vec3, c: Vec3): number {
  return length3(cross3(sub3(b, a), sub3(c, a))) / 2;
}

export const meshArea = (mesh: Mesh): number =>
  mesh.triangles.reduce(
    (sum, [i, j, k]) => sum + triangleArea(mesh.points[i]!, mesh.points[j]!, mesh.points[k]!),
    0,
  );

/** Signed volume of a closed mesh by the divergence theorem; positive when faces point outwards. */
export function meshVolume(mesh: Mesh): number {
  return mesh.triangles.reduce((sum, [i, j, k]) => {
    const a = mesh.points[i]!;
    const n = cross3(mesh.points[j]!, mesh.points[k]!);
    return sum + (a.x * n.x + a.y * n.y + a.z * n.z) / 6;
  }, 0);
}

/**
 * A closed foam shell: an inner and an outer grid of the same size (rows × columns) and the rims between.
 * @param wrap true when the last column joins the first.
 */
export function shellMesh(inner: Vec3[][], outer: Vec3[][], wrap: boolean): Mesh {
  const rows = inner.length;
  const columns = firstOf(inner).length;
  const points = [...inner.flat(), ...outer.flat()];
  const triangles: [number, number, number][] = [];
  const at = (layer: 0 | 1, r: number, c: number): number =>
    layer * rows * columns + r * columns + (c % columns);
  const quad = (a: number, b: number, c: number, d: number): void => {
    triangles.push([a, b, c], [a, c, d]);
  };
  const lastColumn = wrap ? columns : columns - 1;
  for (let r = 0; r < rows - 1; r++) {
    for (let c = 0; c < lastColumn; c++) {
      quad(at(1, r, c), at(1, r, c + 1), at(1, r + 1, c + 1), at(1, r + 1, c));
      quad(at(0, r, c), at(0, r + 1, c), at(0, r + 1, c + 1), at(0, r, c + 1));
    }
  }
  for (let c = 0; c < lastColumn; c++) {
    quad(at(0, 0, c), at(0, 0, c + 1), at(1, 0, c + 1), at(1, 0, c));
    quad(at(1, rows - 1, c), at(1, rows - 1, c + 1), at(0, rows - 1, c + 1), at(0, rows - 1, c));
  }
  if (!wrap) {
    for (let r = 0; r < rows - 1; r++) {
      quad(at(1, r, 0), at(1, r + 1, 0), at(0, r + 1, 0), at(0, r, 0));
      quad(
        at(0, r, columns - 1),
        at(0, r + 1, columns - 1),
        at(1, r + 1, columns - 1),
        at(1, r, columns - 1),
      );
    }
  }
  return { points, triangles };
}

/** Several meshes as one. */
export function joinMeshes(meshes: readonly Mesh[]): Mesh {
  const points: Mesh['points'] = [];
  const triangles: Mesh['triangles'] = [];
  for (const mesh of meshes) {
    const base = points.length;
    for (const p of mesh.points) points.push(p);
    for (const [a, b, c] of mesh.triangles) triangles.push([a + base, b + base, c + base]);
  }
  return { points, triangles };
}
