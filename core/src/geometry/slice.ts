import { firstOf } from '../units';
import { convexHull } from './hull';
import type { Mesh } from './mesh';
import { polylineLength } from './polygon';
import type { Vec2 } from './vec';

/** Triangles are kept in bands of this height, so that a slice looks only at those near it; mm. */
const BAND_MM = 8;

/**
 * Cuts a mesh level as often as wanted: points where it crosses the plane z = `heightMm`, seen from above.
 * Triangles are sorted into bands once; a mesh of a million is cut some hundred times.
 */
export function slicerOf({ points, triangles }: Mesh): (heightMm: number) => Vec2[] {
  const bands = new Map<number, number[]>();
  triangles.forEach(([a, b, c], t) => {
    const [p, q, r] = [points[a]!.z, points[b]!.z, points[c]!.z];
    const top = Math.floor(Math.max(p, q, r) / BAND_MM);
    for (let band = Math.floor(Math.min(p, q, r) / BAND_MM); band <= top; band++) {
      const known = bands.get(band);
      if (known) known.push(t);
      else bands.set(band, [t]);
    }
  });
  return (heightMm) => {
    const cut: Vec2[] = [];
    for (const t of bands.get(Math.floor(heightMm / BAND_MM)) ?? []) {
      const triangle = triangles[t]!;
      for (let i = 0; i < 3; i++) {
        const a = points[triangle[i]!]!;
        const b = points[triangle[(i + 1) % 3]!]!;
        if (a.z > heightMm === b.z > heightMm) continue;
        const share = (heightMm - a.z) / (b.z - a.z);
        cut.push({ x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share });
      }
    }
    return cut;
  };
}

/** Points where the mesh crosses the level plane z = `heightMm`, seen from above. */
export const sliceAt = (mesh: Mesh, heightMm: number): Vec2[] => slicerOf(mesh)(heightMm);

/** Girth of a slice as a tape reads it: the convex hull, so hollows are bridged. 0 when nothing is cut. */
export function tapeGirthMm(points: readonly Vec2[]): number {
  if (points.length < 3) return 0;
  const hull = convexHull(points);
  return polylineLength([...hull, firstOf(hull)]);
}
