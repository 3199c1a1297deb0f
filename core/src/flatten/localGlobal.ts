import type { Mesh } from '../geometry/mesh';
import { cross3, dot3, length3, sub3, type Vec2 } from '../geometry/vec';
import { flatArea2, flips, tutteEmbedding } from './embedding';
import { reverseCuthillMcKee, SkylineFactor } from './skyline';
import { vertexNeighbours } from './topology';

export interface FlattenOptions {
  /** A flat start; without one, or when it has flips, Tutte's embedding serves. */
  start?: readonly Vec2[];
  iterations?: number;
  /** Weight of each triangle; those along a seam may count more so that the seam keeps its length. */
  weights?: readonly number[];
  onProgress?: (share: number) => void;
}

/** A triangle laid in its own plane: corner a at the origin, b along x; and the cotangents of its corners. */
interface Local {
  bx: number;
  cx: number;
  cy: number;
  cot: [number, number, number];
}

function localTriangle(mesh: Mesh, t: number): Local {
  const [ia, ib, ic] = mesh.triangles[t]!;
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
  const cot = (opposite: number, u: number, v: number): number => (u + v - opposite) / (2 * area2);
  return { bx, cx, cy, cot: [cot(bc2, ab2, ac2), cot(ac2, ab2, bc2), cot(ab2, ac2, bc2)] };
}

/** Cotangents below this (very obtuse corners) are raised so that the system stays positive definite. */
const LEAST_COT = 1e-4;

/**
 * Lays a disc flat as rigidly as it can be, by alternating a best rotation for each triangle (local)
 * with one sparse solve for all vertices (global).
 * Source: Liu, Zhang, Xu, Gotsman, Gortler, A Local/Global Approach to Mesh Parameterization, 2008 (ARAP).
 * A step that would turn a triangle over is shortened, so a flip-free start stays flip-free.
 */
export function flattenLocalGlobal(mesh: Mesh, options: FlattenOptions = {}): Vec2[] {
  const { iterations = 30, weights, onProgress } = options;
  const given = options.start;
  let flat: Vec2[] = given && flips(mesh, given) === 0 ? given.map((p) => ({ ...p })) : scaledTutte(mesh);
  const size = mesh.points.length;
  const place = reverseCuthillMcKee(vertexNeighbours(mesh));
  const locals = mesh.triangles.map((_, t) => localTriangle(mesh, t));
  const pin = mesh.triangles[0]![0];
  const diagonal = new Float64Array(size);
  const entries: [number, number, number][] = [];
  mesh.triangles.forEach(([a, b, c], t) => {
    const w = weights?.[t] ?? 1;
    const { cot } = locals[t]!;
    const join = (i: number, j: number, value: number): void => {
      const v = w * Math.max(value, LEAST_COT);
      diagonal[place[i]!]! += v;
      diagonal[place[j]!]! += v;
      entries.push([place[i]!, place[j]!, -v]);
    };
    join(b, c, cot[0]);
    join(c, a, cot[1]);
    join(a, b, cot[2]);
  });
  diagonal[place[pin]!]! += diagonal[place[pin]!]!;
  const pinned = diagonal[place[pin]!]! / 2;
  const factor = new SkylineFactor(size, entries, diagonal);
  for (let step = 0; step < iterations; step++) {
    const next = globalStep(mesh, locals, flat, factor, place, pin, pinned, weights);
    const moved = advance(mesh, flat, next);
    flat = moved.flat;
    onProgress?.((step + 1) / iterations);
    if (moved.largestMm < 1e-4) break;
  }
  return flat;
}

/** Tutte's embedding scaled to the area of the surface. */
function scaledTutte(mesh: Mesh): Vec2[] {
  const flat = tutteEmbedding(mesh);
  let flatTwice = 0;
  let trueTwice = 0;
  mesh.triangles.forEach(([a, b, c], t) => {
    flatTwice += flatArea2(flat[a]!, flat[b]!, flat[c]!);
    const { bx, cy } = localTriangle(mesh, t);
    trueTwice += bx * cy;
  });
  const scale = Math.sqrt(trueTwice / Math.max(flatTwice, 1e-12));
  return flat.map((p) => ({ x: p.x * scale, y: p.y * scale }));
}

function globalStep(
  mesh: Mesh,
  locals: readonly Local[],
  flat: readonly Vec2[],
  factor: SkylineFactor,
  place: Int32Array,
  pin: number,
  pinned: number,
  weights: readonly number[] | undefined,
): Vec2[] {
  const size = mesh.points.length;
  const rx = new Float64Array(size);
  const ry = new Float64Array(size);
  for (let t = 0; t < mesh.triangles.length; t++) {
    const [ia, ib, ic] = mesh.triangles[t]!;
    const { bx, cx, cy, cot } = locals[t]!;
    const [ka, kb, kc] = [
      Math.max(cot[0], LEAST_COT),
      Math.max(cot[1], LEAST_COT),
      Math.max(cot[2], LEAST_COT),
    ];
    const a = flat[ia]!;
    const b = flat[ib]!;
    const c = flat[ic]!;
    // Best rotation: the angle of the weighted sum of flat edge times conjugate local edge (complex numbers).
    let re = 0;
    let im = 0;
    const turn = (k: number, fx: number, fy: number, lx: number, ly: number): void => {
      re += k * (fx * lx + fy * ly);
      im += k * (fy * lx - fx * ly);
    };
    turn(kc, b.x - a.x, b.y - a.y, bx, 0);
    turn(ka, c.x - b.x, c.y - b.y, cx - bx, cy);
    turn(kb, a.x - c.x, a.y - c.y, -cx, -cy);
    const norm = Math.hypot(re, im) || 1;
    const cos = re / norm;
    const sin = im / norm;
    const w = weights?.[t] ?? 1;
    const push = (i: number, j: number, k: number, lx: number, ly: number): void => {
      const ex = w * k * (cos * lx - sin * ly);
      const ey = w * k * (sin * lx + cos * ly);
      rx[place[j]!]! += ex;
      ry[place[j]!]! += ey;
      rx[place[i]!]! -= ex;
      ry[place[i]!]! -= ey;
    };
    push(ia, ib, kc, bx, 0);
    push(ib, ic, ka, cx - bx, cy);
    push(ic, ia, kb, -cx, -cy);
  }
  rx[place[pin]!]! += pinned * flat[pin]!.x;
  ry[place[pin]!]! += pinned * flat[pin]!.y;
  factor.solve(rx);
  factor.solve(ry);
  return flat.map((_, i) => ({ x: rx[place[i]!]!, y: ry[place[i]!]! }));
}

/** Goes as far towards `next` as leaves no triangle turned over. */
function advance(
  mesh: Mesh,
  flat: readonly Vec2[],
  next: readonly Vec2[],
): { flat: Vec2[]; largestMm: number } {
  let share = 1;
  for (let tries = 0; tries < 12; tries++) {
    const moved = flat.map((p, i) => ({
      x: p.x + (next[i]!.x - p.x) * share,
      y: p.y + (next[i]!.y - p.y) * share,
    }));
    if (flips(mesh, moved) === 0) {
      const largestMm = moved.reduce(
        (max, p, i) => Math.max(max, Math.abs(p.x - flat[i]!.x), Math.abs(p.y - flat[i]!.y)),
        0,
      );
      return { flat: moved, largestMm };
    }
    share *= 0.6;
  }
  return { flat: [...flat], largestMm: 0 };
}
