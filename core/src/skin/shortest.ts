import { dist3, dot3, lerp3, type Mesh, sub3, type Vec3 } from '../geometry';
import { edgeKey, edgesOf } from './charted';
import { pulledStraight } from './funnel';

/** A point of a way along a surface: at a vertex, or on an edge at a share from its first end. */
export type WayPoint = { vertex: number } | { a: number; b: number; share: number };

/** Points that are put on every edge for the first search. */
const BETWEEN = 4;
/** Nearer to a corner than this share, a way goes through it. */
const AT_CORNER = 1e-4;

export const placeOf = ({ points }: Mesh, p: WayPoint): Vec3 =>
  'vertex' in p ? points[p.vertex]! : lerp3(points[p.a]!, points[p.b]!, p.share);

/** The vertex nearest to a spot. */
export function vertexAt({ points }: Mesh, at: Vec3): number {
  let best = 0;
  points.forEach((p, i) => {
    if (dist3(p, at) < dist3(points[best]!, at)) best = i;
  });
  return best;
}

/** A heap of numbers by their costs. */
class Heap {
  private items: number[] = [];
  constructor(private readonly cost: Float64Array) {}
  get size(): number {
    return this.items.length;
  }
  push(item: number): void {
    const { items, cost } = this;
    let i = items.push(item) - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (cost[items[up]!]! <= cost[items[i]!]!) break;
      [items[up], items[i]] = [items[i]!, items[up]!];
      i = up;
    }
  }
  pop(): number {
    const { items, cost } = this;
    const top = items[0]!;
    const last = items.pop()!;
    if (items.length > 0) {
      items[0] = last;
      for (let i = 0; ;) {
        let least = i;
        for (const k of [2 * i + 1, 2 * i + 2])
          if (k < items.length && cost[items[k]!]! < cost[items[least]!]!) least = k;
        if (least === i) break;
        [items[least], items[i]] = [items[i]!, items[least]!];
        i = least;
      }
    }
    return top;
  }
}

/**
 * The shortest way along a surface between two vertices: first over vertices and points put on edges (Dijkstra, 1959),
 * then pulled straight, each crossing where its two triangles laid flat have it, and round every corner on the side where
 * the surface holds less than a half turn (as geodesics go: Mitchell, Mount and Papadimitriou, 1987). No shorter way lies
 * near it; a shorter one far off would have been found first.
 * @returns the points it passes, both ends among them; nothing when the two are not connected.
 */
export function shortestWay(mesh: Mesh, from: number, to: number): WayPoint[] | undefined {
  const { points, triangles } = mesh;
  if (from === to) return [{ vertex: from }];
  const beside = edgesOf(mesh);
  const keys = [...beside.keys()];
  const number = new Map(keys.map((k, i) => [k, points.length + i * BETWEEN]));
  const total = points.length + keys.length * BETWEEN;
  const wayPoint = (n: number): WayPoint => {
    if (n < points.length) return { vertex: n };
    const i = n - points.length;
    const t = triangles[beside.get(keys[Math.floor(i / BETWEEN)]!)![0]!]!;
    const key = keys[Math.floor(i / BETWEEN)]!;
    const k = [0, 1, 2].find((c) => edgeKey(t[c]!, t[(c + 1) % 3]!) === key)!;
    const [a, b] = [t[k]!, t[(k + 1) % 3]!].sort((x, y) => x - y) as [number, number];
    return { a, b, share: ((i % BETWEEN) + 1) / (BETWEEN + 1) };
  };
  const places = Array.from({ length: total }, (_, n) => placeOf(mesh, wayPoint(n)));
  /** Nodes on the rim of a triangle. */
  const rim = triangles.map((t) =>
    t.flatMap((v, k) => {
      const first = number.get(edgeKey(v, t[(k + 1) % 3]!))!;
      return [v, ...Array.from({ length: BETWEEN }, (_, i) => first + i)];
    }),
  );
  const at: number[][] = Array.from({ length: total }, () => []);
  rim.forEach((nodes, t) => nodes.forEach((n) => at[n]!.push(t)));
  const cost = new Float64Array(total).fill(Infinity);
  const before = new Int32Array(total).fill(-1);
  const done = new Uint8Array(total);
  const open = new Heap(cost);
  cost[from] = 0;
  open.push(from);
  while (open.size > 0) {
    const n = open.pop();
    if (done[n]) continue;
    done[n] = 1;
    if (n === to) break;
    for (const t of at[n]!)
      for (const next of rim[t]!) {
        const c = cost[n]! + dist3(places[n]!, places[next]!);
        if (c < cost[next]! - 1e-12) {
          cost[next] = c;
          before[next] = n;
          open.push(next);
        }
      }
  }
  if (before[to] === -1) return undefined;
  const way: WayPoint[] = [];
  for (let n = to; n !== -1; n = before[n]!) way.unshift(wayPoint(n));
  return pulled(mesh, way, beside);
}

/** Times a way is looked over for corners that it need not go through. */
const LOOKS = 60;
/** A way goes round a corner on a side where the surface holds less than a half turn by this, radians. */
const LESS = 1e-5;
/** How far from a corner a way is begun that goes round it, as a share of each spoke. */
const ROUND = 0.15;

const angleAt = (at: Vec3, p: Vec3, q: Vec3): number => {
  const [u, v] = [sub3(p, at), sub3(q, at)];
  const size = Math.sqrt(dot3(u, u) * dot3(v, v));
  return size === 0 ? 0 : Math.acos(Math.min(1, Math.max(-1, dot3(u, v) / size)));
};

/** Pulled straight, taken off corners it need not go through, and pulled again, until it lies as short as it can. */
function pulled(mesh: Mesh, start: WayPoint[], beside: Map<number, number[]>): WayPoint[] {
  const incident: number[][] = mesh.points.map(() => []);
  mesh.triangles.forEach((t, i) => t.forEach((v) => incident[v]!.push(i)));
  const trianglesOf = (p: WayPoint): number[] =>
    'vertex' in p ? incident[p.vertex]! : beside.get(edgeKey(p.a, p.b))!;
  /** The spokes a way crosses that goes round a corner on its narrower side; nothing when it is straight there. */
  const round = (v: number, prev: WayPoint, next: WayPoint): WayPoint[] | undefined => {
    const at = mesh.points[v]!;
    const [p, q] = [placeOf(mesh, prev), placeOf(mesh, next)];
    const ends = new Set(trianglesOf(next));
    let best: { angle: number; spokes: number[] } | undefined;
    for (const first of trianglesOf(prev).filter((t) => incident[v]!.includes(t))) {
      for (const spoke of mesh.triangles[first]!.filter((x) => x !== v)) {
        let [t, x, angle] = [first, spoke, 0];
        let ray = p;
        const spokes: number[] = [];
        for (let k = 0; k <= incident[v]!.length; k++) {
          if (ends.has(t)) {
            angle += angleAt(at, ray, q);
            if (!best || angle < best.angle) best = { angle, spokes };
            break;
          }
          angle += angleAt(at, ray, mesh.points[x]!);
          ray = mesh.points[x]!;
          spokes.push(x);
          const across = beside.get(edgeKey(v, x))!.find((o) => o !== t);
          if (across === undefined) break;
          t = across;
          x = mesh.triangles[t]!.find((w) => w !== v && w !== x)!;
        }
      }
    }
    if (!best || best.angle > Math.PI - LESS) return undefined;
    return best.spokes.map((x): WayPoint => ({ a: v, b: x, share: ROUND }));
  };
  let way = straightened(mesh, start);
  for (let look = 0; look < LOOKS; look++) {
    let turned = false;
    for (let i = 1; i + 1 < way.length; i++) {
      const p = way[i]!;
      const spokes = 'vertex' in p && round(p.vertex, way[i - 1]!, way[i + 1]!);
      if (!spokes) continue;
      way = [...way.slice(0, i), ...spokes, ...way.slice(i + 1)];
      i += spokes.length;
      turned = true;
    }
    if (!turned) break;
    way = straightened(mesh, way);
  }
  return way;
}

/** Every run between two corners pulled straight; a crossing that comes to a corner goes through it. */
function straightened(mesh: Mesh, start: readonly WayPoint[]): WayPoint[] {
  const way = [...start];
  for (let from = 0; from + 1 < way.length;) {
    let to = from + 1;
    while ('a' in way[to]!) to++;
    const run = way.slice(from + 1, to) as Extract<WayPoint, { a: number }>[];
    const gates = run.map(({ a, b }) => ({ a, b, at: { a: mesh.points[a]!, b: mesh.points[b]! } }));
    const shares = pulledStraight(placeOf(mesh, way[from]!), gates, placeOf(mesh, way[to]!));
    run.forEach(({ a, b }, i) => (way[from + 1 + i] = { a, b, share: shares[i]! }));
    from = to;
  }
  const ends = way.map((p): WayPoint =>
    'vertex' in p ? p : p.share < AT_CORNER ? { vertex: p.a } : p.share > 1 - AT_CORNER ? { vertex: p.b } : p,
  );
  return ends.filter((p, i) => {
    const last = ends[i - 1];
    return !(last && 'vertex' in p && 'vertex' in last && p.vertex === last.vertex);
  });
}

export const wayLengthMm = (mesh: Mesh, way: readonly WayPoint[]): number =>
  way.slice(1).reduce((sum, p, i) => sum + dist3(placeOf(mesh, p), placeOf(mesh, way[i]!)), 0);
