import { getFrom } from '../units';
import type { Mesh, Vec3 } from '../geometry';

/** A surface parted into charts: which chart every triangle is of. Neighbours share vertices along their seams. */
export interface Charted {
  mesh: Mesh;
  chart: number[];
}

/** More points than any surface has. */
const MOST_POINTS = 2 ** 26;

/** An edge of a mesh, whichever way it is run, as one number. */
export const edgeKey = (a: number, b: number): number => (a < b ? a * MOST_POINTS + b : b * MOST_POINTS + a);

/** The triangles at each edge. */
export function edgesOf({ triangles }: Mesh): Map<number, number[]> {
  const found = new Map<number, number[]>();
  triangles.forEach((t, i) => {
    for (let k = 0; k < 3; k++) {
      const key = edgeKey(t[k]!, t[(k + 1) % 3]!);
      const known = found.get(key);
      if (known) known.push(i);
      else found.set(key, [i]);
    }
  });
  return found;
}

/** A point put on an edge: its ends, and the new vertex. */
export type Inserted = Map<number, number>;

/**
 * Triangles parted at points put on their edges: with one point in two, with two in three, with three in four; the line
 * between two points of a triangle is an edge afterwards, and that from a point to the corner across.
 */
export function withPoints({ mesh, chart }: Charted, points: readonly Vec3[], on: Inserted): Charted {
  const triangles: Mesh['triangles'] = [];
  const charts: number[] = [];
  const all = [...mesh.points, ...points];
  mesh.triangles.forEach((t, i) => {
    const mid = t.map((v, k) => on.get(edgeKey(v, t[(k + 1) % 3]!)));
    const count = mid.filter((m) => m !== undefined).length;
    const push = (...made: Mesh['triangles']): void => {
      for (const one of made) {
        triangles.push(one);
        charts.push(chart[i]!);
      }
    };
    if (count === 0) return push(t);
    // Turned so that the first edge has a point, and where there are two, the second too.
    const turn =
      count === 1
        ? mid.findIndex((m) => m !== undefined)
        : count === 2
          ? (mid.findIndex((m) => m === undefined) + 1) % 3
          : 0;
    const [a, b, c] = [0, 1, 2].map((k) => t[(turn + k) % 3]!) as [number, number, number];
    const [ab, bc, ca] = [0, 1, 2].map((k) => mid[(turn + k) % 3]);
    if (count === 1) return push([a, ab!, c], [ab!, b, c]);
    if (count === 2) return push([ab!, b, bc!], [a, ab!, bc!], [a, bc!, c]);
    push([a, ab!, ca!], [ab!, b, bc!], [ca!, bc!, c], [ab!, bc!, ca!]);
  });
  return { mesh: { points: all, triangles }, chart: charts };
}

/** Charts numbered anew from 0: every connected part of a chart is a chart of its own; seams are not crossed. */
export function connected({ mesh, chart }: Charted, seams: ReadonlySet<number> = new Set()): Charted {
  const beside = edgesOf(mesh);
  const fresh = new Array<number>(chart.length).fill(-1);
  let next = 0;
  for (let start = 0; start < chart.length; start++) {
    if (fresh[start] !== -1) continue;
    const open = [start];
    fresh[start] = next;
    while (open.length > 0) {
      const t = open.pop()!;
      const corners = mesh.triangles[t]!;
      for (let k = 0; k < 3; k++) {
        const key = edgeKey(corners[k]!, corners[(k + 1) % 3]!);
        if (seams.has(key)) continue;
        for (const other of getFrom(beside, key))
          if (fresh[other] === -1 && chart[other] === chart[t]) {
            fresh[other] = next;
            open.push(other);
          }
      }
    }
    next += 1;
  }
  return { mesh, chart: fresh };
}

export const chartCount = ({ chart }: Charted): number => chart.reduce((most, c) => Math.max(most, c + 1), 0);
