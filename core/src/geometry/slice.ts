import { convexHull } from './hull';
import type { Mesh } from './mesh';
import { polylineLength } from './polygon';
import type { Vec2 } from './vec';

/** Points where the mesh crosses the level plane z = `heightMm`, seen from above. */
export function sliceAt(mesh: Mesh, heightMm: number): Vec2[] {
  const points: Vec2[] = [];
  for (const triangle of mesh.triangles) {
    for (let i = 0; i < 3; i++) {
      const a = mesh.points[triangle[i]!]!;
      const b = mesh.points[triangle[(i + 1) % 3]!]!;
      if (a.z > heightMm === b.z > heightMm) continue;
      const t = (heightMm - a.z) / (b.z - a.z);
      points.push({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
    }
  }
  return points;
}

/** Girth of a slice as a tape reads it: the convex hull, so hollows are bridged. 0 when nothing is cut. */
export function tapeGirthMm(points: readonly Vec2[]): number {
  if (points.length < 3) return 0;
  const hull = convexHull(points);
  return polylineLength([...hull, hull[0]!]);
}
