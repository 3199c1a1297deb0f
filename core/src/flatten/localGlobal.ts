import { firstOf } from '../units';
import type { Mesh, Vec2 } from '../geometry';
import { nestedDissection } from './dissection';
import { flatArea2, flips, tutteEmbedding } from './embedding';
import { type Locals, localsOf } from './locals';
import { Mixing } from './mixing';
import { SparseFactor } from './sparseFactor';
import { vertexNeighbours } from './topology';

export interface FlattenOptions {
  /** A flat start; without one, or when it has flips, Tutte's embedding serves. */
  start?: readonly Vec2[];
  /** Rounds at most; fewer are made when nothing is gained any more. */
  iterations?: number;
  /** Weight of each triangle; those along a seam may count more so that the seam keeps its length. */
  weights?: readonly number[];
  onProgress?: (share: number) => void;
}

/** What one round may still gain of the energy before it is the last, and movement that no knife follows, mm. */
const LEAST_GAIN = 1e-6;
const STILL_MM = 1e-4;

/**
 * Lays a disc flat as rigidly as it can be, by alternating a best rotation for each triangle (local)
 * with one sparse solve for all vertices (global), mixing the last few rounds.
 * Source: Liu, Zhang, Xu, Gotsman, Gortler, A Local/Global Approach to Mesh Parameterization, 2008 (ARAP).
 * A step that would turn a triangle over is shortened, so a flip-free start stays flip-free.
 */
export function flattenLocalGlobal(mesh: Mesh, options: FlattenOptions = {}): Vec2[] {
  const { iterations = 60, weights, onProgress } = options;
  const given = options.start;
  const start = given && flips(mesh, given) === 0 ? given : scaledTutte(mesh);
  const size = mesh.points.length;
  const locals = localsOf(mesh, weights);
  const round = globalStep(mesh, locals);
  const mixing = new Mixing();
  // All x, then all y.
  let at: Float64Array = new Float64Array(2 * size);
  start.forEach((p, i) => {
    at[i] = p.x;
    at[size + i] = p.y;
  });
  let last = Infinity;
  let plain: Float64Array | undefined;
  let quiet = 0;
  for (let step = 0; step < iterations; step++) {
    let { image, energy } = round(at);
    // A mixed step that gained nothing is taken back.
    if (energy > last && plain) {
      mixing.reset();
      at = plain;
      ({ image, energy } = round(at));
    }
    const gain = (last - energy) / Math.max(energy, 1e-12);
    quiet = gain < LEAST_GAIN ? quiet + 1 : 0;
    last = energy;
    const straight = towards(locals.corners, at, image);
    if (straight.share < 1) mixing.reset();
    const mixed = straight.share < 1 ? straight.place : mixing.next(at, image);
    const next = straight.share < 1 || !flipped(locals.corners, mixed) ? mixed : image;
    if (next === image) mixing.reset();
    plain = straight.place;
    let largestMm = 0;
    for (let i = 0; i < at.length; i++) largestMm = Math.max(largestMm, Math.abs(next[i]! - at[i]!));
    at = next;
    onProgress?.((step + 1) / iterations);
    if (largestMm < STILL_MM || quiet > 1) break;
  }
  onProgress?.(1);
  // The last mixed step was never looked at: a plain one from where it was taken is never worse than that.
  const end = plain ?? at;
  return mesh.points.map((_, i) => ({ x: end[i]!, y: end[size + i]! }));
}

/** One round from a place: where it leads, and the energy of the place itself. */
function globalStep(
  mesh: Mesh,
  locals: Locals,
): (at: Float64Array) => { image: Float64Array; energy: number } {
  const size = mesh.points.length;
  const place = nestedDissection(vertexNeighbours(mesh));
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
  const [rx, ry] = [new Float64Array(size), new Float64Array(size)];
  return (at) => {
    const energy = rightHandSide(locals, at, place, rx, ry);
    rx[place[pin]!]! += pinned * at[pin]!;
    ry[place[pin]!]! += pinned * at[size + pin]!;
    factor.solve(rx);
    factor.solve(ry);
    const image = new Float64Array(2 * size);
    for (let i = 0; i < size; i++) {
      image[i] = rx[place[i]!]!;
      image[size + i] = ry[place[i]!]!;
    }
    return { image, energy };
  };
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

/**
 * What each vertex is pulled to: every triangle turned by its best rotation, weighed by its cotangents.
 * @returns the energy: weighed squares by which sides differ from those of their turned triangles.
 */
function rightHandSide(
  { corners, bx, cx, cy, ka, kb, kc, own }: Locals,
  at: Float64Array,
  place: Int32Array,
  rx: Float64Array,
  ry: Float64Array,
): number {
  const size = rx.length;
  rx.fill(0);
  ry.fill(0);
  let energy = 0;
  for (let t = 0; t < bx.length; t++) {
    const [a, b, c] = [corners[3 * t]!, corners[3 * t + 1]!, corners[3 * t + 2]!];
    const [lbx, lcx, lcy] = [bx[t]!, cx[t]!, cy[t]!];
    const [wa, wb, wc] = [ka[t]!, kb[t]!, kc[t]!];
    const [abx, aby] = [at[b]! - at[a]!, at[size + b]! - at[size + a]!];
    const [bcx, bcy] = [at[c]! - at[b]!, at[size + c]! - at[size + b]!];
    const [cax, cay] = [at[a]! - at[c]!, at[size + a]! - at[size + c]!];
    const ex = lcx - lbx;
    // Best rotation: the angle of the weighted sum of flat edge times conjugate local edge (complex numbers).
    const re = wc * abx * lbx + wa * (bcx * ex + bcy * lcy) - wb * (cax * lcx + cay * lcy);
    const im = wc * aby * lbx + wa * (bcy * ex - bcx * lcy) - wb * (cay * lcx - cax * lcy);
    const norm = Math.sqrt(re * re + im * im);
    const flat = wc * (abx * abx + aby * aby) + wa * (bcx * bcx + bcy * bcy) + wb * (cax * cax + cay * cay);
    energy += flat + own[t]! - 2 * norm;
    const [cos, sin] = [re / (norm || 1), im / (norm || 1)];
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
  return energy;
}

/** Whether some triangle lies turned over or has no area. */
function flipped(corners: Int32Array, at: Float64Array): boolean {
  const size = at.length / 2;
  for (let k = 0; k < corners.length; k += 3) {
    const [a, b, c] = [corners[k]!, corners[k + 1]!, corners[k + 2]!];
    const [ax, ay] = [at[a]!, at[size + a]!];
    if ((at[b]! - ax) * (at[size + c]! - ay) - (at[size + b]! - ay) * (at[c]! - ax) <= 0) return true;
  }
  return false;
}

/** Goes as far towards the next place as leaves no triangle turned over. */
function towards(
  corners: Int32Array,
  at: Float64Array,
  to: Float64Array,
): { place: Float64Array; share: number } {
  let share = 1;
  let place = to;
  for (let tries = 0; tries < 12; tries++) {
    if (!flipped(corners, place)) return { place, share };
    share *= 0.6;
    place = at.map((v, i) => v + (to[i]! - v) * share);
  }
  return { place: at, share: 0 };
}
