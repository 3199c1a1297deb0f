import { dist3, type Mesh, type Vec2, type Vec3 } from '../geometry';

/**
 * Bends the flat piece back without letting it stretch: every edge is pulled to its flat length from the
 * form's own position, over and over. How far points then stand from the form is how far unstretched foam
 * stands off it.
 * @returns the worst distance in millimetres.
 */
export function refoldDistanceMm(mesh: Mesh, flat: readonly Vec2[], rounds = 25): number {
  const points: Vec3[] = mesh.points.map((p) => ({ ...p }));
  const seen = new Set<number>();
  const edges: [number, number, number][] = [];
  for (const [a, b, c] of mesh.triangles) {
    for (const [i, j] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      const key = Math.min(i, j) * mesh.points.length + Math.max(i, j);
      if (seen.has(key)) continue;
      seen.add(key);
      edges.push([i, j, Math.hypot(flat[i]!.x - flat[j]!.x, flat[i]!.y - flat[j]!.y)]);
    }
  }
  for (let round = 0; round < rounds; round++) {
    for (const [i, j, want] of edges) {
      const p = points[i]!;
      const q = points[j]!;
      const have = dist3(p, q) || 1e-9;
      const k = ((have - want) / have) * 0.5;
      const [dx, dy, dz] = [(q.x - p.x) * k, (q.y - p.y) * k, (q.z - p.z) * k];
      p.x += dx;
      p.y += dy;
      p.z += dz;
      q.x -= dx;
      q.y -= dy;
      q.z -= dz;
    }
  }
  return points.reduce((worst, p, i) => Math.max(worst, dist3(p, mesh.points[i]!)), 0);
}
