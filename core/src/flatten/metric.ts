import { dot3, type Mesh, sub3, type Vec2, type Vec3 } from '../geometry';

/** Lengths on one face of a triangulated surface: of every triangle its two sides squared and their product, mm². */
export interface Metric {
  uu: Float64Array;
  uv: Float64Array;
  vv: Float64Array;
}

/** The metric of points that lie as the vertices of a mesh do. */
export function metricOf(triangles: Mesh['triangles'], points: readonly Vec3[]): Metric {
  const array = (): Float64Array => new Float64Array(triangles.length);
  const made = { uu: array(), uv: array(), vv: array() };
  triangles.forEach(([a, b, c], t) => {
    const u = sub3(points[b]!, points[a]!);
    const v = sub3(points[c]!, points[a]!);
    made.uu[t] = dot3(u, u);
    made.uv[t] = dot3(u, v);
    made.vv[t] = dot3(v, v);
  });
  return made;
}

/** Two sides of a flat triangle from its first corner, mm. */
export interface FlatSides {
  bx: number;
  by: number;
  cx: number;
  cy: number;
}

export const flatSides = (flat: readonly Vec2[], [ia, ib, ic]: Mesh['triangles'][number]): FlatSides => {
  const a = flat[ia]!;
  return { bx: flat[ib]!.x - a.x, by: flat[ib]!.y - a.y, cx: flat[ic]!.x - a.x, cy: flat[ic]!.y - a.y };
};

/**
 * The two principal strains of the map from a flat triangle to one of this metric: singular values of its gradient,
 * less one.
 * @returns the larger first; none where either triangle has no area.
 */
export function principalStrains(
  { bx, by, cx, cy }: FlatSides,
  uu: number,
  uv: number,
  vv: number,
): readonly [number, number] | undefined {
  const det = bx * cy - by * cx;
  if (Math.abs(det) < 1e-12 || uu * vv - uv * uv < 1e-24) return undefined;
  // The metric in flat coordinates: of the images of the flat x and y directions.
  const e = (cy * cy * uu - 2 * cy * by * uv + by * by * vv) / (det * det);
  const g = (cx * cx * uu - 2 * cx * bx * uv + bx * bx * vv) / (det * det);
  const f = (-cy * cx * uu + (cy * bx + by * cx) * uv - by * bx * vv) / (det * det);
  const root = Math.sqrt(Math.max(0, ((e - g) / 2) ** 2 + f * f));
  return [Math.sqrt((e + g) / 2 + root) - 1, Math.sqrt(Math.max(0, (e + g) / 2 - root)) - 1];
}
