import { getFrom, lastOf } from '../units';
import { dist3, type Mesh, type Vec3 } from '../geometry';
import { vertexNeighbours } from './topology';

/** Shortest ways along edges from every vertex to the goal (Dijkstra): the next vertex towards it. */
export function waysTo(mesh: Mesh, goal: number): Map<number, number> {
  const neighbours = vertexNeighbours(mesh);
  const distance = new Map<number, number>([[goal, 0]]);
  const towards = new Map<number, number>();
  const open = new Set([goal]);
  while (open.size > 0) {
    let at = -1;
    let least = Infinity;
    for (const v of open) {
      const d = getFrom(distance, v);
      if (d < least) {
        least = d;
        at = v;
      }
    }
    open.delete(at);
    for (const n of neighbours[at]!) {
      const d = least + dist3(mesh.points[at]!, mesh.points[n]!);
      if (d < (distance.get(n) ?? Infinity)) {
        distance.set(n, d);
        towards.set(n, at);
        open.add(n);
      }
    }
  }
  return towards;
}

/** How far towards the centre of curvature a dart runs; the rest is left to the foam. */
export const REACH = 0.8;

/** The path from a rim vertex towards the centre, cut short, or none if it meets the rim again or has no length left before what it must keep off. */
export function dartPath(
  start: number,
  towards: ReadonlyMap<number, number>,
  taken: ReadonlySet<number>,
  rim: ReadonlySet<number>,
  reach = REACH,
): number[] | undefined {
  const whole = [start];
  while (towards.has(lastOf(whole))) whole.push(getFrom(towards, lastOf(whole)));
  const wanted = whole.slice(0, Math.max(3, Math.ceil(whole.length * reach)));
  // One that would run into another ends a step short of it.
  const met = wanted.findIndex((v) => taken.has(v));
  const path = met < 0 ? wanted : wanted.slice(0, Math.max(0, met - 1));
  return path.length < 3 || path.some((v, i) => i > 0 && rim.has(v)) ? undefined : path;
}

/** The inner vertex nearest to the middle of the surface. */
export function middleVertex(mesh: Mesh, boundary: ReadonlySet<number>): number | undefined {
  const n = mesh.points.length;
  const middle = mesh.points.reduce((s, p) => ({ x: s.x + p.x / n, y: s.y + p.y / n, z: s.z + p.z / n }), {
    x: 0,
    y: 0,
    z: 0,
  });
  return nearestInner(mesh, boundary, middle);
}

/** The inner vertex nearest to the centre of curvature (vertices weighted by their angle defect). */
export function curvatureCentre(mesh: Mesh, boundary: ReadonlySet<number>): number | undefined {
  let total = 0;
  const sum = { x: 0, y: 0, z: 0 };
  angleDefects(mesh).forEach((defect, v) => {
    if (boundary.has(v)) return;
    const w = Math.abs(defect);
    const p = mesh.points[v]!;
    total += w;
    sum.x += w * p.x;
    sum.y += w * p.y;
    sum.z += w * p.z;
  });
  if (total < 1e-6) return undefined;
  return nearestInner(mesh, boundary, { x: sum.x / total, y: sum.y / total, z: sum.z / total });
}

function nearestInner(mesh: Mesh, boundary: ReadonlySet<number>, centre: Vec3): number | undefined {
  let best: number | undefined;
  let least = Infinity;
  mesh.points.forEach((p, v) => {
    const d = dist3(p, centre);
    if (!boundary.has(v) && d < least) {
      least = d;
      best = v;
    }
  });
  return best;
}

/** 2π less the angles round each vertex: what Gauss–Bonnet sums over a surface. Meaningless on the boundary. */
export function angleDefects(mesh: Mesh): number[] {
  const angles = mesh.points.map(() => 0);
  for (const t of mesh.triangles) {
    t.forEach((v, i) => {
      const p = mesh.points[v]!;
      const q = mesh.points[t[(i + 1) % 3]!]!;
      const r = mesh.points[t[(i + 2) % 3]!]!;
      const [ux, uy, uz] = [q.x - p.x, q.y - p.y, q.z - p.z];
      const [wx, wy, wz] = [r.x - p.x, r.y - p.y, r.z - p.z];
      const dot = ux * wx + uy * wy + uz * wz;
      const size = Math.sqrt((ux * ux + uy * uy + uz * uz) * (wx * wx + wy * wy + wz * wz)) || 1;
      angles[v]! += Math.acos(Math.min(1, Math.max(-1, dot / size)));
    });
  }
  return angles.map((a) => 2 * Math.PI - a);
}
