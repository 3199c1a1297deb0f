import { getFrom, firstOf } from '../units';
import { dist3, sub3, dot3, length3, type Mesh, type Vec3 } from '../geometry';
import { type Charted, edgeKey, edgesOf } from './charted';
import { numbering } from './numbering';

/** One chart as a mesh of its own, with the vertex of the whole that each of its own is. */
export interface Chart {
  mesh: Mesh;
  origin: number[];
  /** Loops of its rim, each with the surface on its left, the longest first, and what lies beyond each step: a chart, or none. */
  loops: { vertices: number[]; beyond: (number | undefined)[] }[];
}

/** A chart cut out of the surface. */
export function chartOf({ mesh, chart }: Charted, id: number, beside = edgesOf(mesh)): Chart {
  const { of: number, origin } = numbering();
  const triangles: Mesh['triangles'] = [];
  const next = new Map<number, { to: number; beyond: number | undefined }[]>();
  mesh.triangles.forEach((t, i) => {
    if (chart[i] !== id) return;
    triangles.push([number(t[0]), number(t[1]), number(t[2])]);
    for (let k = 0; k < 3; k++) {
      const [a, b] = [t[k]!, t[(k + 1) % 3]!];
      const others = getFrom(beside, edgeKey(a, b)).filter((o) => o !== i);
      if (others.some((o) => chart[o] === id)) continue;
      const from = number(a);
      const step = { to: number(b), beyond: others.length > 0 ? chart[firstOf(others)] : undefined };
      next.set(from, [...(next.get(from) ?? []), step]);
    }
  });
  const loops: Chart['loops'] = [];
  while (next.size > 0) {
    const [start] = next.keys();
    const vertices: number[] = [];
    const beyond: (number | undefined)[] = [];
    for (let at = start!; ;) {
      const steps = next.get(at);
      const step = steps?.pop();
      if (!step) break;
      if (steps!.length === 0) next.delete(at);
      vertices.push(at);
      beyond.push(step.beyond);
      at = step.to;
      if (at === start) break;
    }
    loops.push({ vertices, beyond });
  }
  const points = origin.map((v) => mesh.points[v]!);
  const lengthOf = (vertices: readonly number[]): number =>
    vertices.reduce((sum, v, i) => sum + dist3(points[v]!, points[vertices[(i + 1) % vertices.length]!]!), 0);
  return {
    mesh: { points, triangles },
    origin,
    loops: loops.sort((a, b) => lengthOf(b.vertices) - lengthOf(a.vertices)),
  };
}

/** A chart that can be laid flat: one rim, no handle, no vertex met twice. */
export function isDisc({ mesh, loops }: Chart): boolean {
  if (loops.length !== 1) return false;
  const rim = firstOf(loops).vertices;
  const edges = edgesOf(mesh);
  return (
    new Set(rim).size === rim.length &&
    [...edges.values()].every((t) => t.length <= 2) &&
    mesh.points.length - edges.size + mesh.triangles.length === 1
  );
}

/** The angle of the surface at each vertex of a rim, radians; π along a smooth edge. */
export function rimAngles({ mesh }: Chart, rim: readonly number[]): number[] {
  const on = new Map(rim.map((v, i) => [v, i]));
  const sum = rim.map(() => 0);
  const angle = (at: Vec3, p: Vec3, q: Vec3): number => {
    const [u, v] = [sub3(p, at), sub3(q, at)];
    const size = length3(u) * length3(v);
    return size === 0 ? 0 : Math.acos(Math.min(1, Math.max(-1, dot3(u, v) / size)));
  };
  for (const t of mesh.triangles)
    for (let k = 0; k < 3; k++) {
      const i = on.get(t[k]!);
      if (i === undefined) continue;
      sum[i]! += angle(mesh.points[t[k]!]!, mesh.points[t[(k + 1) % 3]!]!, mesh.points[t[(k + 2) % 3]!]!);
    }
  return sum;
}
