import { dist3, type Mesh, type Vec2 } from '../geometry';
import { boundaryLoops, vertexNeighbours } from './topology';
import { nestedDissection } from './dissection';
import { SparseFactor } from './sparseFactor';

/**
 * A flat start without flips for any disc: the boundary on a circle by arc length, every inner vertex
 * the mean of its neighbours (Tutte, How to draw a graph, 1963).
 */
export function tutteEmbedding(mesh: Mesh): Vec2[] {
  const [loop] = boundaryLoops(mesh);
  const flat: Vec2[] = mesh.points.map(() => ({ x: 0, y: 0 }));
  if (!loop) throw new Error('A closed surface cannot be laid flat; cut it first.');
  const steps = loop.map((v, i) => dist3(mesh.points[v]!, mesh.points[loop[(i + 1) % loop.length]!]!));
  const total = steps.reduce((a, b) => a + b, 0);
  const radius = total / (2 * Math.PI);
  let run = 0;
  loop.forEach((v, i) => {
    const angle = (run / total) * 2 * Math.PI;
    flat[v] = { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
    run += steps[i]!;
  });
  const neighbours = vertexNeighbours(mesh);
  const edge = new Set(loop);
  const inner = mesh.points.map((_, i) => i).filter((i) => !edge.has(i));
  if (inner.length === 0) return flat;
  const number = new Map(inner.map((v, i) => [v, i]));
  const place = nestedDissection(inner.map((v) => neighbours[v]!.flatMap((n) => number.get(n) ?? [])));
  const diagonal = new Float64Array(inner.length);
  const x = new Float64Array(inner.length);
  const y = new Float64Array(inner.length);
  const entries: [number, number, number][] = [];
  inner.forEach((v, i) => {
    const row = place[i]!;
    diagonal[row] = neighbours[v]!.length;
    for (const n of neighbours[v]!) {
      const other = number.get(n);
      if (other === undefined) {
        x[row]! += flat[n]!.x;
        y[row]! += flat[n]!.y;
      } else if (other < i) entries.push([row, place[other]!, -1]);
    }
  });
  const factor = new SparseFactor(inner.length, entries, diagonal);
  factor.solve(x);
  factor.solve(y);
  inner.forEach((v, i) => (flat[v] = { x: x[place[i]!]!, y: y[place[i]!]! }));
  return flat;
}

export const flatArea2 = (a: Vec2, b: Vec2, c: Vec2): number =>
  (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/** Triangles turned over or without area. */
export const flips = (mesh: Mesh, flat: readonly Vec2[]): number =>
  mesh.triangles.reduce((sum, [a, b, c]) => sum + (flatArea2(flat[a]!, flat[b]!, flat[c]!) <= 0 ? 1 : 0), 0);
