import { getFrom } from '../units';
import { nestedDissection, SparseFactor, vertexNeighbours } from '../flatten';
import {
  cross3,
  dot3,
  length3,
  lerp3,
  type Mesh,
  meshArea,
  sub3,
  triangleArea,
  type Vec2,
  type Vec3,
} from '../geometry';
import { edgeKey } from './charted';

/** Cotangents below this (very obtuse corners) are raised, so that every weight is positive and nothing turns over. */
const LEAST_COT = 0.02;

/** Rounds of evening out, and how strongly each pulls. */
const ROUNDS = 6;
const PULL = 0.75;
/** No weight is moved further than this by one round. */
const MOST_RATIO = 8;

/** What holds two vertices together, whichever way it is run. */
interface Spring {
  a: number;
  b: number;
  weight: number;
}

/** Cotangent weights of the edges of a mesh. */
function springsOf({ points, triangles }: Mesh): Spring[] {
  const found = new Map<number, Spring>();
  for (const t of triangles)
    for (let k = 0; k < 3; k++) {
      const [at, b, c] = [t[k]!, t[(k + 1) % 3]!, t[(k + 2) % 3]!];
      const [u, v] = [sub3(points[b]!, points[at]!), sub3(points[c]!, points[at]!)];
      const cot = dot3(u, v) / Math.max(1e-9, length3(cross3(u, v)));
      const key = edgeKey(b, c);
      const known = found.get(key);
      const weight = Math.max(LEAST_COT, cot) / 2;
      if (known) known.weight += weight;
      else found.set(key, { a: b, b: c, weight });
    }
  return [...found.values()];
}

/** Every inner vertex where its springs pull it, the rim held. */
function atRest(
  mesh: Mesh,
  springs: readonly Spring[],
  rim: ReadonlyMap<number, Vec2>,
  order: Order,
): Vec2[] {
  const { inner, number, place } = order;
  const flat: Vec2[] = mesh.points.map((_, v) => rim.get(v) ?? { x: 0, y: 0 });
  const diagonal = new Float64Array(inner.length);
  const [x, y] = [new Float64Array(inner.length), new Float64Array(inner.length)];
  const entries: [number, number, number][] = [];
  const pull = (row: number, to: Vec2, weight: number): void => {
    x[row]! += weight * to.x;
    y[row]! += weight * to.y;
  };
  for (const { a, b, weight } of springs) {
    const [i, j] = [number.get(a), number.get(b)];
    if (i !== undefined) diagonal[place[i]!]! += weight;
    if (j !== undefined) diagonal[place[j]!]! += weight;
    if (i !== undefined && j !== undefined) entries.push([place[i]!, place[j]!, -weight]);
    else if (i !== undefined) pull(place[i]!, flat[b]!, weight);
    else if (j !== undefined) pull(place[j]!, flat[a]!, weight);
  }
  const factor = new SparseFactor(inner.length, entries, diagonal);
  factor.solve(x);
  factor.solve(y);
  inner.forEach((v, i) => (flat[v] = { x: x[place[i]!]!, y: y[place[i]!]! }));
  return flat;
}

interface Order {
  inner: number[];
  number: Map<number, number>;
  place: Int32Array;
}

/**
 * A disc on the unit square: its rim where it is told to lie, every inner vertex where springs of positive weight pull
 * it, so that no triangle turns over (Tutte, 1963): cotangents at first, then weaker where the surface is crowded, so
 * that what stands out is not squeezed to a point (after Yoshizawa, Belyaev and Seidel, 2004).
 * @param rim vertex → its place on the square.
 */
export function squareMap(mesh: Mesh, rim: ReadonlyMap<number, Vec2>): Vec2[] {
  const inner = mesh.points.map((_, v) => v).filter((v) => !rim.has(v));
  if (inner.length === 0) return mesh.points.map((_, v) => getFrom(rim, v));
  const number = new Map(inner.map((v, i) => [v, i]));
  const neighbours = vertexNeighbours(mesh);
  const place = nestedDissection(inner.map((v) => neighbours[v]!.flatMap((n) => number.get(n) ?? [])));
  const order = { inner, number, place };
  let springs = springsOf(mesh);
  let flat = atRest(mesh, springs, rim, order);
  const wholeMm2 = meshArea(mesh);
  for (let round = 0; round < ROUNDS; round++) {
    const own = mesh.points.map(() => ({ true: 0, flat: 0 }));
    for (const t of mesh.triangles) {
      const [a, b, c] = t.map((v) => flat[v]!) as [Vec2, Vec2, Vec2];
      const area = Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)) / 2;
      const mm2 = triangleArea(mesh.points[t[0]]!, mesh.points[t[1]]!, mesh.points[t[2]]!) / wholeMm2;
      for (const v of t) {
        own[v]!.true += mm2;
        own[v]!.flat += area;
      }
    }
    // How crowded the surface lies round each vertex; one where it is as roomy as on the whole.
    const crowd = own.map((o) =>
      Math.min(MOST_RATIO, Math.max(1 / MOST_RATIO, o.true / Math.max(1e-12, o.flat))),
    );
    springs = springs.map((s) => ({ ...s, weight: s.weight / (crowd[s.a]! * crowd[s.b]!) ** (PULL / 2) }));
    flat = atRest(mesh, springs, rim, order);
  }
  return flat;
}

/**
 * Points of the surface at an even grid of the square, rows from below; the rim's own come from `rimAt`.
 * @param rimAt a point on the rim by its place on the square's edge.
 */
export function sampled(
  mesh: Mesh,
  flat: readonly Vec2[],
  rows: number,
  columns: number,
  rimAt: (u: number, v: number) => Vec3,
): Vec3[][] {
  const grid: (Vec3 | undefined)[][] = Array.from(
    { length: rows },
    () => new Array<Vec3 | undefined>(columns),
  );
  for (const [ia, ib, ic] of mesh.triangles) {
    const [a, b, c] = [flat[ia]!, flat[ib]!, flat[ic]!];
    const area = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
    if (!(area > 1e-14)) continue;
    const range = (p: number, q: number, r: number, n: number): [number, number] => [
      Math.max(0, Math.ceil(Math.min(p, q, r) * (n - 1) - 1e-9)),
      Math.min(n - 1, Math.floor(Math.max(p, q, r) * (n - 1) + 1e-9)),
    ];
    const [c0, c1] = range(a.x, b.x, c.x, columns);
    const [r0, r1] = range(a.y, b.y, c.y, rows);
    for (let r = r0; r <= r1; r++)
      for (let k = c0; k <= c1; k++) {
        if (grid[r]![k]) continue;
        const p = { x: k / (columns - 1), y: r / (rows - 1) };
        const wa = ((b.x - p.x) * (c.y - p.y) - (b.y - p.y) * (c.x - p.x)) / area;
        const wb = ((c.x - p.x) * (a.y - p.y) - (c.y - p.y) * (a.x - p.x)) / area;
        const wc = 1 - wa - wb;
        if (Math.min(wa, wb, wc) < -1e-6) continue;
        const [pa, pb, pc] = [mesh.points[ia]!, mesh.points[ib]!, mesh.points[ic]!];
        grid[r]![k] = {
          x: wa * pa.x + wb * pb.x + wc * pc.x,
          y: wa * pa.y + wb * pb.y + wc * pc.y,
          z: wa * pa.z + wb * pb.z + wc * pc.z,
        };
      }
  }
  for (let r = 0; r < rows; r++)
    for (let k = 0; k < columns; k++)
      if (r === 0 || k === 0 || r === rows - 1 || k === columns - 1)
        grid[r]![k] = rimAt(k / (columns - 1), r / (rows - 1));
  return grid.map((row, r) =>
    row.map((p, k) => p ?? lerp3(rimAt(0, r / (rows - 1)), rimAt(1, r / (rows - 1)), k / (columns - 1))),
  );
}
