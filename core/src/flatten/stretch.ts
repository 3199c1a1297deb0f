import { cross3, dot3, length3, type Mesh, sub3, type Vec2 } from '../geometry';

/** How much flat foam must give to lie on the form: 0.1 is ten percent longer, −0.1 ten percent shorter. */
export interface Stretch {
  /** Largest and smallest principal stretch of each triangle, less one. */
  most: number[];
  least: number[];
  /** Flat area of each triangle, mm². */
  areas: number[];
  worst: number;
  worstTriangle: number;
  /** What all but two percent of the area stays under: one sharp corner is not the piece. */
  mostly: number;
  /** Area-weighted sum of squared strains: what flattening and darts bring down. */
  energy: number;
}

/** Principal stretches of the map from the flat piece to the form (singular values of its gradient). */
export function stretchOf(mesh: Mesh, flat: readonly Vec2[]): Stretch {
  const most: number[] = [];
  const least: number[] = [];
  let worst = 0;
  let worstTriangle = 0;
  let energy = 0;
  const areas: number[] = [];
  mesh.triangles.forEach(([ia, ib, ic], t) => {
    const u = sub3(mesh.points[ib]!, mesh.points[ia]!);
    const v = sub3(mesh.points[ic]!, mesh.points[ia]!);
    const a = flat[ia]!;
    const [bx, by, cx, cy] = [flat[ib]!.x - a.x, flat[ib]!.y - a.y, flat[ic]!.x - a.x, flat[ic]!.y - a.y];
    const det = bx * cy - by * cx;
    if (Math.abs(det) < 1e-12 || length3(cross3(u, v)) < 1e-12) {
      most.push(0);
      least.push(0);
      areas.push(0);
      return;
    }
    // Gradient columns: image of the flat x and y directions on the form.
    const [gx, gy] = [0, 1].map((k) => {
      const p = k === 0 ? cy / det : -cx / det;
      const q = k === 0 ? -by / det : bx / det;
      return { x: u.x * p + v.x * q, y: u.y * p + v.y * q, z: u.z * p + v.z * q };
    }) as [typeof u, typeof u];
    const e = dot3(gx, gx);
    const f = dot3(gx, gy);
    const g = dot3(gy, gy);
    const root = Math.sqrt(Math.max(0, ((e - g) / 2) ** 2 + f * f));
    const high = Math.sqrt((e + g) / 2 + root) - 1;
    const low = Math.sqrt(Math.max(0, (e + g) / 2 - root)) - 1;
    most.push(high);
    least.push(low);
    areas.push(Math.abs(det) / 2);
    energy += (Math.abs(det) / 2) * (high * high + low * low);
    if (high > worst) {
      worst = high;
      worstTriangle = t;
    }
  });
  return { most, least, areas, worst, worstTriangle, mostly: quantile(most, areas, 0.98), energy };
}

/** The value under which a share of the area lies. */
function quantile(values: readonly number[], areas: readonly number[], share: number): number {
  const order = values.map((_, i) => i).sort((a, b) => values[a]! - values[b]!);
  const total = areas.reduce((a, b) => a + b, 0);
  let run = 0;
  for (const i of order) {
    run += areas[i]!;
    if (run >= share * total) return values[i]!;
  }
  return 0;
}

/** Stretch at each vertex, the mean of the triangles round it, for contours. */
export function vertexStretch(mesh: Mesh, { most }: Stretch): number[] {
  const sum = new Float64Array(mesh.points.length);
  const count = new Float64Array(mesh.points.length);
  mesh.triangles.forEach((triangle, t) => {
    for (const v of triangle) {
      sum[v]! += most[t]!;
      count[v]! += 1;
    }
  });
  return Array.from(sum, (s, i) => s / Math.max(1, count[i]!));
}
