import type { Mesh } from './mesh';
import { dot3, lerp3, sub3, type Vec3 } from './vec';

/** Where a mesh crosses a plane: pieces of line, one for every triangle that it cuts, in no order. */
export function planeCut({ points, triangles }: Mesh, at: Vec3, normal: Vec3): [Vec3, Vec3][] {
  const height = points.map((p) => dot3(sub3(p, at), normal));
  return triangles.flatMap((t): [Vec3, Vec3][] => {
    const ends: Vec3[] = [];
    for (let i = 0; i < 3; i++) {
      const [a, b] = [t[i]!, t[(i + 1) % 3]!];
      const [p, q] = [height[a]!, height[b]!];
      // Above or below, never on it: a corner on the plane counts as above.
      if (p >= 0 !== q >= 0) ends.push(lerp3(points[a]!, points[b]!, p / (p - q)));
    }
    return ends.length === 2 ? [[ends[0]!, ends[1]!]] : [];
  });
}
