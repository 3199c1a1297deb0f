import { overlapsItself } from '../geometry/overlap';
import type { Mesh } from '../geometry/mesh';
import { dist3, type Vec2 } from '../geometry/vec';
import { flattenLocalGlobal, type FlattenOptions } from './localGlobal';
import { stretchOf, type Stretch } from './stretch';
import { boundaryLoops, vertexNeighbours } from './topology';

/** A slit from the edge inwards; laid flat it opens to a wedge that is cut out and closed. */
export interface Dart {
  /** Vertices of the uncut surface from the edge to the tip. */
  path: number[];
}

export interface Darted {
  mesh: Mesh;
  flat: Vec2[];
  stretch: Stretch;
  darts: Dart[];
  /** For each vertex of the cut mesh, the vertex of the surface it came from. */
  origin: number[];
}

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
      for (const other of incident.get(v)!) {
        if (left.has(other)) continue;
        const common = mesh.triangles[t]!.filter((x) => x !== v && mesh.triangles[other]!.includes(x));
        if (common.length === 1 && !crossesPath(v, common[0]!)) {
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

/** Shortest ways along edges from every vertex to the goal (Dijkstra): the next vertex towards it. */
function waysTo(mesh: Mesh, goal: number): Map<number, number> {
  const neighbours = vertexNeighbours(mesh);
  const distance = new Map<number, number>([[goal, 0]]);
  const towards = new Map<number, number>();
  const open = new Set([goal]);
  while (open.size > 0) {
    let at = -1;
    let least = Infinity;
    for (const v of open) {
      const d = distance.get(v)!;
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

export interface DartOptions extends FlattenOptions {
  /** Stretch the foam can take. */
  limit: number;
  /** Most darts to cut. */
  most: number;
  /** Vertices no dart may start from or cross (seams). */
  keepOff?: ReadonlySet<number>;
}

/** Places round the edge that are tried for a dart. */
const TRIED = 10;
/** How far towards the centre of curvature a dart runs; the rest is left to the foam. */
const REACH = 0.8;

/** The path from a rim vertex towards the centre, cut short, or none if it meets the rim again or what it must keep off. */
function dartPath(
  start: number,
  towards: ReadonlyMap<number, number>,
  taken: ReadonlySet<number>,
  rim: ReadonlySet<number>,
): number[] | undefined {
  const whole = [start];
  while (towards.has(whole.at(-1)!)) whole.push(towards.get(whole.at(-1)!)!);
  const path = whole.slice(0, Math.max(3, Math.ceil(whole.length * REACH)));
  return path.length < 3 || path.some((v, i) => taken.has(v) || (i > 0 && rim.has(v))) ? undefined : path;
}

/**
 * Flattens, then adds darts one at a time, each where it lowers the strain most of a dozen places round the
 * free edge, running towards where curvature gathers, until the foam can take what is left, the cap is met,
 * or another dart would hardly help.
 */
export function flattenWithDarts(surface: Mesh, options: DartOptions): Darted {
  const { limit, most, keepOff = new Set<number>(), ...how } = options;
  let flat = flattenLocalGlobal(surface, how);
  let best: Darted = {
    mesh: surface,
    flat,
    stretch: stretchOf(surface, flat),
    darts: [],
    origin: surface.points.map((_, i) => i),
  };
  if (best.stretch.mostly <= limit || most === 0) return best;
  const loop = boundaryLoops(surface)[0]!;
  const rim = new Set(loop);
  const centre = curvatureCentre(surface, rim);
  if (centre === undefined) return best;
  const towards = waysTo(surface, centre);
  const taken = new Set(keepOff);
  while (best.stretch.mostly > limit && best.darts.length < most) {
    const base = best;
    const tries = Array.from(
      { length: TRIED },
      (_, i) => loop[Math.floor((i / TRIED) * loop.length)]!,
    ).flatMap((start) => {
      const path = dartPath(start, towards, taken, rim);
      if (!path) return [];
      const cut = cutAlong(base.mesh, path);
      const origin = [...base.origin, ...cut.added.map((v) => base.origin[v]!)];
      const start2 = [...base.flat, ...cut.added.map((v) => base.flat[v]!)];
      flat = flattenLocalGlobal(cut.mesh, { ...how, start: start2, iterations: 20 });
      if (overlapsItself(boundaryLoops(cut.mesh)[0]!.map((v) => flat[v]!))) return [];
      return [
        {
          mesh: cut.mesh,
          flat,
          stretch: stretchOf(cut.mesh, flat),
          darts: [...base.darts, { path }],
          origin,
        },
      ];
    });
    if (tries.length === 0) break;
    const next = tries.reduce((a, b) => (b.stretch.energy < a.stretch.energy ? b : a));
    if (next.stretch.energy > base.stretch.energy * 0.95) break;
    const weights = legWeights(next, how.weights);
    flat = flattenLocalGlobal(next.mesh, { ...how, start: next.flat, weights, iterations: 90 });
    best = { ...next, flat, stretch: stretchOf(next.mesh, flat) };
    for (const v of next.darts.at(-1)!.path) taken.add(v);
  }
  return best;
}

/** Triangles along a dart's legs weigh more, so that both legs keep the length they have on the form. */
const LEG_WEIGHT = 60;

function legWeights(made: Darted, weights: readonly number[] | undefined): number[] {
  const legs = made.darts.map(({ path }) => new Set(path));
  return made.mesh.triangles.map((t, i) => {
    const along = legs.some((leg) => t.filter((v) => leg.has(made.origin[v]!)).length >= 2);
    return along ? LEG_WEIGHT : (weights?.[i] ?? 1);
  });
}

/** The inner vertex nearest to the centre of curvature (vertices weighted by their angle defect). */
function curvatureCentre(mesh: Mesh, boundary: ReadonlySet<number>): number | undefined {
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
  const centre = { x: sum.x / total, y: sum.y / total, z: sum.z / total };
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
