import { firstOf } from '../units';
import { cross3, dot3, length3, type Mesh, sub3, type Vec2 } from '../geometry';
import { nestedDissection } from './dissection';
import { flatArea2, flips, tutteEmbedding } from './embedding';
import { SparseFactor } from './sparseFactor';
import { vertexNeighbours } from './topology';

export interface FlattenOptions {
  /** A flat start; without one, or when it has flips, Tutte's embedding serves. */
  start?: readonly Vec2[];
  iterations?: number;
  /** Weight of each triangle; those along a seam may count more so that the seam keeps its length. */
  weights?: readonly number[];
  onProgress?: (share: number) => void;
}

/** Cotangents below this (very obtuse corners) are raised so that the system stays positive definite. */
const LEAST_COT = 1e-4;
/** Movement in one round below which nothing more is gained, mm. */
const STILL_MM = 1e-4;

/**
 * Triangles laid in their own planes, as flat arrays: corner a at the origin, b along x at `bx`, c at (`cx`, `cy`);
 * and the weighted cotangents of the corners at a, b and c.
 */
interface Locals {
  corners: Int32Array;
  bx: Float64Array;
  cx: Float64Array;
  cy: Float64Array;
  ka: Float64Array;
  kb: Float64Array;
  kc: Float64Array;
}

function localsOf(mesh: Mesh, weights: readonly number[] | undefined): Locals {
  const count = mesh.triangles.length;
  const array = (): Float64Array => new Float64Array(count);
  const made: Locals = {
    corners: new Int32Array(3 * count),
    bx: array(),
    cx: array(),
    cy: array(),
    ka: array(),
    kb: array(),
    kc: array(),
  };
  mesh.triangles.forEach(([ia, ib, ic], t) => {
    made.corners.set([ia, ib, ic], 3 * t);
    const a = mesh.points[ia]!;
    const ab = sub3(mesh.points[ib]!, a);
    const ac = sub3(mesh.points[ic]!, a);
    // A side shorter than a nanometre cannot be told from none.
    const bx = Math.max(length3(ab), 1e-6);
    const cx = dot3(ab, ac) / bx;
    const cy = length3(cross3(ab, ac)) / bx;
    const area2 = Math.max(bx * cy, 1e-9);
    const bc2 = (cx - bx) ** 2 + cy * cy;
    const ac2 = cx * cx + cy * cy;
    const ab2 = bx * bx;
    const w = weights?.[t] ?? 1;
    const cot = (opposite: number, u: number, v: number): number =>
      w * Math.max(LEAST_COT, (u + v - opposite) / (2 * area2));
    made.bx[t] = bx;
    made.cx[t] = cx;
    made.cy[t] = cy;
    made.ka[t] = cot(bc2, ab2, ac2);
    made.kb[t] = cot(ac2, ab2, bc2);
    made.kc[t] = cot(ab2, ac2, bc2);
  });
  return made;
}

/**
 * Lays a disc flat as rigidly as it can be, by alternating a best rotation for each triangle (local)
 * with one sparse solve for all vertices (global).
 * Source: Liu, Zhang, Xu, Gotsman, Gortler, A Local/Global Approach to Mesh Parameterization, 2008 (ARAP).
 * A step that would turn a triangle over is shortened, so a flip-free start stays flip-free.
 */
export function flattenLocalGlobal(mesh: Mesh, options: FlattenOptions = {}): Vec2[] {
  const { iterations = 30, weights, onProgress } = options;
  const given = options.start;
  const start = given && flips(mesh, given) === 0 ? given : scaledTutte(mesh);
  const size = mesh.points.length;
  const place = nestedDissection(vertexNeighbours(mesh));
  const locals = localsOf(mesh, weights);
  const pin = firstOf(mesh.triangles)[0];
  const diagonal = new Float64Array(size);
  const entries: [number, number, number][] = [];
  mesh.triangles.forEach(([a, b, c], t) => {
    const join = (i: number, j: number, v: number): void => {
      diagonal[place[i]!]! += v;
      diagonal[place[j]!]! += v;
      entries.push([place[i]!, place[j]!, -v]);
    };
    join(b, c, locals.ka[t]!);
    join(c, a, locals.kb[t]!);
    join(a, b, locals.kc[t]!);
  });
  const pinned = diagonal[place[pin]!]!;
  diagonal[place[pin]!]! += pinned;
  const factor = new SparseFactor(size, entries, diagonal);
  let x: Float64Array = Float64Array.from(start, (p) => p.x);
  let y: Float64Array = Float64Array.from(start, (p) => p.y);
  const [rx, ry] = [new Float64Array(size), new Float64Array(size)];
  const [nx, ny] = [new Float64Array(size), new Float64Array(size)];
  for (let step = 0; step < iterations; step++) {
    rightHandSide(locals, x, y, place, rx, ry);
    rx[place[pin]!]! += pinned * x[pin]!;
    ry[place[pin]!]! += pinned * y[pin]!;
    factor.solve(rx);
    factor.solve(ry);
    for (let i = 0; i < size; i++) {
      nx[i] = rx[place[i]!]!;
      ny[i] = ry[place[i]!]!;
    }
    const moved = advance(locals.corners, x, y, nx, ny);
    [x, y] = [moved.x, moved.y];
    onProgress?.((step + 1) / iterations);
    if (moved.largestMm < STILL_MM) break;
  }
  return mesh.points.map((_, i) => ({ x: x[i]!, y: y[i]! }));
}

/** Tutte's embedding scaled to the area of the surface. */
function scaledTutte(mesh: Mesh): Vec2[] {
  const flat = tutteEmbedding(mesh);
  const { bx, cy } = localsOf(mesh, undefined);
  let flatTwice = 0;
  let trueTwice = 0;
  mesh.triangles.forEach(([a, b, c], t) => {
    flatTwice += flatArea2(flat[a]!, flat[b]!, flat[c]!);
    trueTwice += bx[t]! * cy[t]!;
  });
  const scale = Math.sqrt(trueTwice / Math.max(flatTwice, 1e-12));
  return flat.map((p) => ({ x: p.x * scale, y: p.y * scale }));
}

/** What each vertex is pulled to: every triangle turned by its best rotation, weighed by its cotangents. */
function rightHandSide(
  { corners, bx, cx, cy, ka, kb, kc }: Locals,
  x: Float64Array,
  y: Float64Array,
  place: Int32Array,
  rx: Float64Array,
  ry: Float64Array,
): void {
  rx.fill(0);
  ry.fill(0);
  for (let t = 0; t < bx.length; t++) {
    const [a, b, c] = [corners[3 * t]!, corners[3 * t + 1]!, corners[3 * t + 2]!];
    const [lbx, lcx, lcy] = [bx[t]!, cx[t]!, cy[t]!];
    const [wa, wb, wc] = [ka[t]!, kb[t]!, kc[t]!];
    const [abx, aby] = [x[b]! - x[a]!, y[b]! - y[a]!];
    const [bcx, bcy] = [x[c]! - x[b]!, y[c]! - y[b]!];
    const [cax, cay] = [x[a]! - x[c]!, y[a]! - y[c]!];
    const ex = lcx - lbx;
    // Best rotation: the angle of the weighted sum of flat edge times conjugate local edge (complex numbers).
    const re = wc * abx * lbx + wa * (bcx * ex + bcy * lcy) - wb * (cax * lcx + cay * lcy);
    const im = wc * aby * lbx + wa * (bcy * ex - bcx * lcy) - wb * (cay * lcx - cax * lcy);
    const norm = Math.sqrt(re * re + im * im) || 1;
    const [cos, sin] = [re / norm, im / norm];
    const [abX, abY] = [wc * cos * lbx, wc * sin * lbx];
    const [bcX, bcY] = [wa * (cos * ex - sin * lcy), wa * (sin * ex + cos * lcy)];
    const [caX, caY] = [-wb * (cos * lcx - sin * lcy), -wb * (sin * lcx + cos * lcy)];
    const [pa, pb, pc] = [place[a]!, place[b]!, place[c]!];
    rx[pa]! += caX - abX;
    ry[pa]! += caY - abY;
    rx[pb]! += abX - bcX;
    ry[pb]! += abY - bcY;
    rx[pc]! += bcX - caX;
    ry[pc]! += bcY - caY;
  }
}

/** Whether some triangle lies turned over or has no area. */
function flipped(corners: Int32Array, x: Float64Array, y: Float64Array): boolean {
  for (let k = 0; k < corners.length; k += 3) {
    const [a, b, c] = [corners[k]!, corners[k + 1]!, corners[k + 2]!];
    if ((x[b]! - x[a]!) * (y[c]! - y[a]!) - (y[b]! - y[a]!) * (x[c]! - x[a]!) <= 0) return true;
  }
  return false;
}

/** Goes as far towards the next place as leaves no triangle turned over. */
function advance(
  corners: Int32Array,
  x: Float64Array,
  y: Float64Array,
  nx: Float64Array,
  ny: Float64Array,
): { x: Float64Array; y: Float64Array; largestMm: number } {
  let share = 1;
  for (let tries = 0; tries < 12; tries++) {
    const [mx, my] = [new Float64Array(x.length), new Float64Array(x.length)];
    let largestMm = 0;
    for (let i = 0; i < x.length; i++) {
      const [dx, dy] = [(nx[i]! - x[i]!) * share, (ny[i]! - y[i]!) * share];
      mx[i] = x[i]! + dx;
      my[i] = y[i]! + dy;
      largestMm = Math.max(largestMm, Math.abs(dx), Math.abs(dy));
    }
    if (!flipped(corners, mx, my)) return { x: mx, y: my, largestMm };
    share *= 0.6;
  }
  return { x, y, largestMm: 0 };
}
