import { add3, dist3, dot3, scale3, sub3, type Vec3 } from './vec';

const alongBy = (o: Vec3, u: Vec3, t: number): Vec3 => add3(o, scale3(u, t));

/** Distance of a point from a triangle (closest point by regions; Ericson, Real-Time Collision Detection, 2005). */
export function fromTriangle(p: Vec3, a: Vec3, b: Vec3, c: Vec3): number {
  const [ab, ac, ap, bp, cp] = [sub3(b, a), sub3(c, a), sub3(p, a), sub3(p, b), sub3(p, c)];
  const [d1, d2] = [dot3(ab, ap), dot3(ac, ap)];
  if (d1 <= 0 && d2 <= 0) return dist3(p, a);
  const [d3, d4] = [dot3(ab, bp), dot3(ac, bp)];
  if (d3 >= 0 && d4 <= d3) return dist3(p, b);
  const vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return dist3(p, alongBy(a, ab, d1 / (d1 - d3)));
  const [d5, d6] = [dot3(ab, cp), dot3(ac, cp)];
  if (d6 >= 0 && d5 <= d6) return dist3(p, c);
  const vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return dist3(p, alongBy(a, ac, d2 / (d2 - d6)));
  const va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 >= d3 && d5 >= d6)
    return dist3(p, alongBy(b, sub3(c, b), (d4 - d3) / (d4 - d3 + (d5 - d6))));
  const whole = va + vb + vc;
  return whole === 0 ? dist3(p, a) : dist3(p, alongBy(alongBy(a, ab, vb / whole), ac, vc / whole));
}
