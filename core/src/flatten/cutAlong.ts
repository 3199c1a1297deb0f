import { getFrom, firstOf } from '../units';
import type { Mesh } from '../geometry';

/**
 * Opens the mesh along a path from a boundary vertex to its tip, doubling every vertex but the tip.
 * @throws Error when the path does not start on the boundary.
 */
export function cutAlong(mesh: Mesh, path: readonly number[]): { mesh: Mesh; added: number[] } {
  const size = mesh.points.length;
  const triangles = mesh.triangles.map((t): [number, number, number] => [...t]);
  const points = [...mesh.points];
  const added: number[] = [];
  const incident = new Map<number, number[]>();
  triangles.forEach((t, i) => t.forEach((v) => incident.set(v, [...(incident.get(v) ?? []), i])));
  const edgeOf = new Map<string, number>();
  triangles.forEach(([a, b, c], t) => {
    for (const [i, j] of [
      [a, b],
      [b, c],
      [c, a],
    ])
      edgeOf.set(`${i},${j}`, t);
  });
  const inPath = new Set(path.slice(1).map((v, i) => [path[i]!, v].sort((a, b) => a - b).join(',')));
  const crossesPath = (a: number, b: number): boolean => inPath.has([a, b].sort((x, y) => x - y).join(','));
  path.slice(0, -1).forEach((v, i) => {
    // Triangles round v on the left of the path, reached without crossing it.
    const ahead = path[i + 1]!;
    const seed = edgeOf.get(`${v},${ahead}`);
    if (seed === undefined) return;
    const left = new Set<number>([seed]);
    const queue = [seed];
    while (queue.length > 0) {
      const t = queue.pop()!;
      for (const other of getFrom(incident, v)) {
        if (left.has(other)) continue;
        const common = mesh.triangles[t]!.filter((x) => x !== v && mesh.triangles[other]!.includes(x));
        if (common.length === 1 && !crossesPath(v, firstOf(common))) {
          left.add(other);
          queue.push(other);
        }
      }
    }
    const copy = size + added.length;
    points.push(mesh.points[v]!);
    added.push(v);
    for (const t of left)
      triangles[t] = triangles[t]!.map((x) => (x === v ? copy : x)) as [number, number, number];
  });
  return { mesh: { points, triangles }, added };
}
