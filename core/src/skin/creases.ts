import { getFrom, itemAt } from '../units';
import { cross3, dist3, dot3, type Mesh, sub3, unit3, type Vec3 } from '../geometry';
import { edgesOf } from './charted';
import type { WayPoint } from './shortest';

/** Faces that turn from each other by more than this meet in a crease; from memory. */
const CREASE_RAD = Math.PI / 6;
/** Spots this near to a crease lie on it, mm. */
const NEAR_MM = 8;
/** A way along creases may be so much longer than the shortest. */
const LONGER = 1.2;

/** Creases of a surface: the vertices they run through, and the next ones along them. */
export type Creases = ReadonlyMap<number, readonly number[]>;

export function creasesOf(mesh: Mesh): Creases {
  const { points, triangles } = mesh;
  const normals = triangles.map(([a, b, c]) =>
    unit3(cross3(sub3(itemAt(points, b), itemAt(points, a)), sub3(itemAt(points, c), itemAt(points, a)))),
  );
  const least = Math.cos(CREASE_RAD);
  const next = new Map<number, number[]>();
  const link = (from: number, to: number): void => {
    const known = next.get(from);
    if (known) known.push(to);
    else next.set(from, [to]);
  };
  for (const [s, t] of edgesOf(mesh).values()) {
    if (t === undefined || dot3(normals[s!]!, itemAt(normals, t)) > least) continue;
    const [a, b] = triangles[s!]!.filter((v) => itemAt(triangles, t).includes(v)) as [number, number];
    link(a, b);
    link(b, a);
  }
  return next;
}

/** The vertex of a crease that is nearest to a spot, when one is near. */
export function onCrease({ points }: Mesh, creases: Creases, spot: Vec3): number | undefined {
  let [best, leastMm]: [number | undefined, number] = [undefined, NEAR_MM];
  for (const v of creases.keys()) {
    const mm = dist3(itemAt(points, v), spot);
    if (mm < leastMm) [best, leastMm] = [v, mm];
  }
  return best;
}

/**
 * The way along creases from one vertex to another (Dijkstra, 1959); nothing when there is none, or when it is a detour:
 * more than a fifth longer than the shortest way, which is `shortestMm`.
 */
export function creaseWay(
  { points }: Mesh,
  creases: Creases,
  from: number,
  to: number,
  shortestMm: number,
): WayPoint[] | undefined {
  const most = LONGER * shortestMm;
  const far = new Map([[from, 0]]);
  const before = new Map<number, number>();
  const open = new Set([from]);
  while (open.size > 0) {
    const at = [...open].reduce((a, b) => (getFrom(far, b) < getFrom(far, a) ? b : a));
    open.delete(at);
    if (at === to) break;
    for (const v of creases.get(at) ?? []) {
      const mm = getFrom(far, at) + dist3(itemAt(points, at), itemAt(points, v));
      if (mm > most || mm >= (far.get(v) ?? Infinity)) continue;
      far.set(v, mm);
      before.set(v, at);
      open.add(v);
    }
  }
  if (!before.has(to)) return undefined;
  const way: WayPoint[] = [];
  for (let v: number | undefined = to; v !== undefined; v = before.get(v)) way.unshift({ vertex: v });
  return way;
}
