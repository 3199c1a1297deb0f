import { strainLimits } from '../foam';
import type { Mesh, Vec2, Vec3 } from '../geometry';
import { flatSides, type Metric, metricOf, principalStrains } from './metric';

/** The faces of a sheet on its form: how far each is from its flat self is how far the foam there gives. */
export interface Faces {
  metrics: readonly Metric[];
  /** Triangles that are grooved for their bend: the bend takes nothing of their faces. */
  grooved: readonly boolean[];
}

/** What a face gives hot and held, by bend and stretch together; more where the maker works in more. */
export const faceLimit = (limit: number): number => Math.max(strainLimits.heat, limit);

/**
 * The faces of foam that lies on a form with its neutral layer on a mesh.
 * @param faces points of each face, by the vertices of the mesh.
 */
export function facesOf(mesh: Mesh, faces: readonly (readonly Vec3[])[]): Faces {
  const neutral = metricOf(mesh.triangles, mesh.points);
  const metrics = faces.map((points) => metricOf(mesh.triangles, points));
  const grooved = mesh.triangles.map((_, t) => {
    // The triangle laid in its own plane: what a face differs from that is its bend alone.
    const b = Math.sqrt(neutral.uu[t]!);
    const cx = neutral.uv[t]! / Math.max(b, 1e-9);
    const own = { bx: b, by: 0, cx, cy: Math.sqrt(Math.max(0, neutral.vv[t]! - cx * cx)) };
    return metrics.some((m) => {
      const strains = principalStrains(own, m.uu[t]!, m.uv[t]!, m.vv[t]!);
      return strains !== undefined && strains[0] > strainLimits.heat;
    });
  });
  return { metrics, grooved };
}

/** How far the faces of each triangle give at most, bend and stretch together; nothing for those that are grooved. */
export const faceStrains = (
  { metrics, grooved }: Faces,
  triangles: Mesh['triangles'],
  flat: readonly Vec2[],
): number[] =>
  triangles.map((triangle, t) => {
    if (grooved[t]) return 0;
    const sides = flatSides(flat, triangle);
    return metrics.reduce(
      (most, m) => Math.max(most, principalStrains(sides, m.uu[t]!, m.uv[t]!, m.vv[t]!)?.[0] ?? 0),
      0,
    );
  });
