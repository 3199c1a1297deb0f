import { dist3, type Vec3 } from './vec';

/** Distance of a point from a triangle (closest point by regions; Ericson, Real-Time Collision Detection, 2005). */
export function fromTriangle(p: Vec3, a: Vec3, b: Vec3, c: Vec3): number {
  const d = (u: Vec3, v: Vec3): number => u.x * v.x + u.y * v.y + u.z * v.z;
  const s = (u: Vec3, v: Vec3): Vec3 => ({ x: u.x - v.x, y: u.y - v.y, z: u.z - v.z });
  const at = (o: Vec3, u: Vec3, t: number): Vec3 => ({
    x: o.x + u.x * t,
    y: o.y + u.y * t,
    z: o.z + u.z * t,
  });
  const [ab, ac, ap, bp, cp] = [s(b, a), s(c, a), s(p, a), s(p, b), s(p, c)];
  const [d1, d2, d3, d4, d5, d6] = [d(ab, ap), d(ac, ap), d(ab, bp), d(ac, bp), d(ab, cp), d(ac, cp)];
  if (d1 <= 0 && d2 <= 0) return dist3(p, a);
  if (d3 >= 0 && d4 <= d3) return dist3(p, b);
  const vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return dist3(p, at(a, ab, d1 / (d1 - d3)));
  if (d6 >= 0 && d5 <= d6) return dist3(p, c);
  const vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return dist3(p, at(a, ac, d2 / (d2 - d6)));
  const va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 >= d3 && d5 >= d6) return dist3(p, at(b, s(c, b), (d4 - d3) / (d4 - d3 + (d5 - d6))));
  const whole = va + vb + vc;
  return whole === 0 ? dist3(p, a) : dist3(p, at(at(a, ab, vb / whole), ac, vc / whole));
}
