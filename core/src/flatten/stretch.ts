import type { Mesh, Vec2 } from '../geometry';
import { faceLimit, faceStrains, type Faces } from './faces';
import { flatSides, metricOf, principalStrains } from './metric';

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
  /** The most a face of each triangle gives, its bend with it; nothing known of foam whose faces were not given. */
  faces: number[];
  /** And what all but two percent of the area stays under. */
  faceMostly: number;
  /** Area-weighted sum of squared strains: what flattening and darts bring down. */
  energy: number;
}

/** Principal strains of the map from the flat piece to the form, and of its faces where they are given. */
export function stretchOf(mesh: Mesh, flat: readonly Vec2[], thick?: Faces): Stretch {
  const most: number[] = [];
  const least: number[] = [];
  const areas: number[] = [];
  let worst = 0;
  let worstTriangle = 0;
  let energy = 0;
  const { uu, uv, vv } = metricOf(mesh.triangles, mesh.points);
  mesh.triangles.forEach((triangle, t) => {
    const sides = flatSides(flat, triangle);
    const strains = principalStrains(sides, uu[t]!, uv[t]!, vv[t]!);
    const area = strains ? Math.abs(sides.bx * sides.cy - sides.by * sides.cx) / 2 : 0;
    const [high, low] = strains ?? [0, 0];
    most.push(high);
    least.push(low);
    areas.push(area);
    energy += area * (high * high + low * low);
    if (high > worst) {
      worst = high;
      worstTriangle = t;
    }
  });
  const faces = thick ? faceStrains(thick, mesh.triangles, flat) : [];
  return {
    most,
    least,
    areas,
    worst,
    worstTriangle,
    mostly: quantile(most, areas, MOSTLY),
    faces,
    faceMostly: quantile(faces, areas, MOSTLY),
    energy,
  };
}

/** Whether the foam can take it, but for a sharp corner: its neutral layer what the maker works in, its faces what heat gives. */
export const takes = ({ mostly, faceMostly }: Stretch, limit: number): boolean =>
  mostly <= limit && faceMostly <= faceLimit(limit);

/** Share of the area that counts: one sharp corner is not the piece. */
const MOSTLY = 0.98;

/** The value under which a share of the area lies. */
function quantile(values: readonly number[], areas: readonly number[], share: number): number {
  if (values.length === 0) return 0;
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
