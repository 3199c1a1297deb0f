import type { Mesh } from './mesh';
import { cross3, dot3, sub3, type Vec3 } from './vec';

/**
 * Whether a ray meets a surface, from whichever side, further along than `fromMm` (Möller and Trumbore, Fast, Minimum
 * Storage Ray/Triangle Intersection, 1997). @param way of length one.
 */
export function rayMeets({ points, triangles }: Mesh, from: Vec3, way: Vec3, fromMm = 0): boolean {
  return triangles.some(([ia, ib, ic]) => {
    const a = points[ia]!;
    const [u, v] = [sub3(points[ib]!, a), sub3(points[ic]!, a)];
    const p = cross3(way, v);
    const det = dot3(u, p);
    if (Math.abs(det) < 1e-9) return false;
    const s = sub3(from, a);
    const x = dot3(s, p) / det;
    if (x < 0 || x > 1) return false;
    const q = cross3(s, u);
    const y = dot3(way, q) / det;
    return y >= 0 && x + y <= 1 && dot3(v, q) / det > fromMm;
  });
}
