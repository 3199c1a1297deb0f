import { firstOf } from '../units';
import { add3, cross3, type Mesh, scale3, sub3, unit3, type Vec3 } from '../geometry';
import { type Stick, sectionOutline } from './stick';

const STEPS = 20;

/** A stick as a closed mesh; pipes are drawn hollow. @param around sides of what is round, 20 for a picture. */
export function stickMesh({ from, to, wide, section }: Stick, steps = STEPS): Mesh {
  const along = unit3(sub3(to, from));
  const x = unit3(wide);
  const y = cross3(along, x);
  const outline = sectionOutline(section, steps);
  const ring = (at: Vec3, share: number): Vec3[] =>
    outline.map((p) => add3(at, add3(scale3(x, p.x * share), scale3(y, p.y * share))));
  const hollow = section.shape === 'tube' ? section.boreMm / section.outsideMm : 0;
  const outside = [ring(from, 1), ring(to, 1)];
  const inside = hollow > 0 ? [ring(from, hollow), ring(to, hollow)] : [];
  const n = firstOf(outside).length;
  const points = [...outside, ...inside].flat();
  const triangles: Mesh['triangles'] = [];
  const quad = (a: number, b: number, c: number, d: number): void => {
    triangles.push([a, b, c], [a, c, d]);
  };
  for (let i = 0; i < n; i++) {
    const k = (i + 1) % n;
    quad(i, k, n + k, n + i);
    if (hollow > 0) {
      quad(2 * n + k, 2 * n + i, 3 * n + i, 3 * n + k);
      quad(2 * n + i, 2 * n + k, k, i);
      quad(n + i, n + k, 3 * n + k, 3 * n + i);
    } else if (i > 0 && i < n - 1) triangles.push([0, i + 1, i], [n, n + i, n + i + 1]);
  }
  return { points, triangles };
}
