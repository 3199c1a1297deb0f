import type { Mesh } from '../../geometry/mesh';
import { lerp2, type Vec2 } from '../../geometry/vec';

/** Lines on which a value given at vertices equals `level`, as short runs across triangles. */
export function contourLines(
  mesh: Mesh,
  flat: readonly Vec2[],
  values: readonly number[],
  level: number,
): Vec2[][] {
  return mesh.triangles.flatMap((triangle) => {
    const crossings: Vec2[] = [];
    for (let i = 0; i < 3; i++) {
      const a = triangle[i]!;
      const b = triangle[(i + 1) % 3]!;
      const [p, q] = [values[a]!, values[b]!];
      if (p > level !== q > level) crossings.push(lerp2(flat[a]!, flat[b]!, (level - p) / (q - p)));
    }
    return crossings.length === 2 ? [crossings] : [];
  });
}
