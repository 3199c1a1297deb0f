import type { Mesh } from './mesh';
import { cross3, dot3, sub3, type Vec3 } from './vec';

/** How far along a ray it meets a triangle, from whichever side; not at all when it passes it by. */
function met([a, b, c]: readonly [Vec3, Vec3, Vec3], from: Vec3, way: Vec3): number | undefined {
  const [u, v] = [sub3(b, a), sub3(c, a)];
  const p = cross3(way, v);
  const det = dot3(u, p);
  if (Math.abs(det) < 1e-9) return undefined;
  const s = sub3(from, a);
  const x = dot3(s, p) / det;
  if (x < 0 || x > 1) return undefined;
  const q = cross3(s, u);
  const y = dot3(way, q) / det;
  return y >= 0 && x + y <= 1 ? dot3(v, q) / det : undefined;
}

/**
 * Whether a ray meets a surface, from whichever side, further along than `fromMm` (Möller and Trumbore, Fast, Minimum
 * Storage Ray/Triangle Intersection, 1997). @param way of length one.
 */
export const rayMeets = ({ points, triangles }: Mesh, from: Vec3, way: Vec3, fromMm = 0): boolean =>
  triangles.some(([a, b, c]) => (met([points[a]!, points[b]!, points[c]!], from, way) ?? -Infinity) > fromMm);

/** How far along a ray a surface is met first, mm; nothing where it never is. */
export function rayReach({ points, triangles }: Mesh, from: Vec3, way: Vec3): number | undefined {
  let first = Infinity;
  for (const [a, b, c] of triangles) {
    const mm = met([points[a]!, points[b]!, points[c]!], from, way);
    if (mm !== undefined && mm > 0 && mm < first) first = mm;
  }
  return first < Infinity ? first : undefined;
}
