import { itemAt } from '../units';
import type { StrainClass } from '../foam';
import { convexHull, signedArea, type Vec2, type Vec3 } from '../geometry';
import type { Piece } from '../panel';

/** How a finished part travels: laid flat, one copy in the other, or only as it stands. */
export type Packing = 'flat' | 'nested' | 'as it is';

/** The smallest box a finished part goes into, longest side first, and how it may be packed. */
export interface PackedPart {
  sidesMm: [number, number, number];
  how: Packing;
}

/** Directions to look from: the axes, then a half ball of them, about 12° apart. */
const directions: Vec3[] = [
  { x: 0, y: 0, z: 1 },
  { x: 1, y: 0, z: 0 },
  { x: 0, y: 1, z: 0 },
  ...Array.from({ length: 140 }, (_, i) => {
    // Fibonacci spiral over the upper half of the sphere.
    const z = (i + 0.5) / 140;
    const turn = i * Math.PI * (3 - Math.sqrt(5));
    const r = Math.sqrt(1 - z * z);
    return { x: r * Math.cos(turn), y: r * Math.sin(turn), z };
  }),
];

/** Two directions square to one. */
function across(n: Vec3): [Vec3, Vec3] {
  const helper = Math.abs(n.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 };
  const u = {
    x: helper.y * n.z - helper.z * n.y,
    y: helper.z * n.x - helper.x * n.z,
    z: helper.x * n.y - helper.y * n.x,
  };
  const size = Math.hypot(u.x, u.y, u.z);
  const a = { x: u.x / size, y: u.y / size, z: u.z / size };
  return [a, { x: n.y * a.z - n.z * a.y, y: n.z * a.x - n.x * a.z, z: n.x * a.y - n.y * a.x }];
}

/** The narrowest rectangle round a hull, by its edges (one side lies along an edge: Freeman and Shapira, 1975). */
function rectangle(hull: readonly Vec2[]): [number, number] {
  let best: [number, number] = [Infinity, Infinity];
  hull.forEach((p, i) => {
    const q = itemAt(hull, (i + 1) % hull.length);
    const size = Math.hypot(q.x - p.x, q.y - p.y);
    if (size < 1e-9) return;
    const [cx, cy] = [(q.x - p.x) / size, (q.y - p.y) / size];
    let [minA, maxA, minB, maxB] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const o of hull) {
      const [a, b] = [o.x * cx + o.y * cy, o.y * cx - o.x * cy];
      minA = Math.min(minA, a);
      maxA = Math.max(maxA, a);
      minB = Math.min(minB, b);
      maxB = Math.max(maxB, b);
    }
    if ((maxA - minA) * (maxB - minB) < best[0] * best[1]) best = [maxA - minA, maxB - minB];
  });
  return best;
}

/** The directions as numbers in a row: gone through for every point of a mesh. */
const looks = Float64Array.from(directions.flatMap(({ x, y, z }) => [x, y, z]));

/** The points that stand out furthest in some direction, in a row: all that a box round them has to clear. */
function outermost(points: readonly Vec3[]): Float64Array {
  const count = directions.length;
  const least = new Float64Array(count).fill(Infinity);
  const most = new Float64Array(count).fill(-Infinity);
  const found = new Int32Array(2 * count);
  points.forEach(({ x, y, z }, k) => {
    for (let i = 0, j = 0; i < count; i++, j += 3) {
      const h = x * looks[j]! + y * looks[j + 1]! + z * looks[j + 2]!;
      if (h < least[i]!) {
        least[i] = h;
        found[2 * i] = k;
      }
      if (h > most[i]!) {
        most[i] = h;
        found[2 * i + 1] = k;
      }
    }
  });
  const kept = [...new Set(found)];
  const row = new Float64Array(3 * kept.length);
  kept.forEach((k, i) => {
    const { x, y, z } = itemAt(points, k);
    row.set([x, y, z], 3 * i);
  });
  return row;
}

/** Two directions square to each of them. */
const squareTo = directions.map(across);

/** Points as one direction sees them: across, up, and from how near to how far. */
interface Shadow {
  across: Float64Array;
  up: Float64Array;
  low: number;
  high: number;
}

function seeAlong(points: Float64Array, i: number, shadow: Shadow): void {
  const [u, w] = itemAt(squareTo, i);
  const [nx, ny, nz] = [looks[3 * i]!, looks[3 * i + 1]!, looks[3 * i + 2]!];
  let [low, high] = [Infinity, -Infinity];
  for (let k = 0, j = 0; j < points.length; k++, j += 3) {
    const [x, y, z] = [points[j]!, points[j + 1]!, points[j + 2]!];
    const h = x * nx + y * ny + z * nz;
    if (h < low) low = h;
    if (h > high) high = h;
    shadow.across[k] = x * u.x + y * u.y + z * u.z;
    shadow.up[k] = x * w.x + y * w.y + z * w.z;
  }
  shadow.low = low;
  shadow.high = high;
}

/** The points of a shadow that stand out furthest in eight directions, counter-clockwise. */
function eighths({ across: xs, up: ys }: Shadow): Int32Array {
  const most = new Float64Array(8).fill(-Infinity);
  const at = new Int32Array(8);
  for (let k = 0; k < xs.length; k++) {
    const [x, y] = [xs[k]!, ys[k]!];
    for (let i = 0; i < 4; i++) {
      const h = i === 0 ? x : i === 1 ? x + y : i === 2 ? y : y - x;
      if (h > most[i]!) {
        most[i] = h;
        at[i] = k;
      }
      if (-h > most[i + 4]!) {
        most[i + 4] = -h;
        at[i + 4] = k;
      }
    }
  }
  return at;
}

/** The area within them: the hull of the shadow is no smaller. */
function leastArea({ across: xs, up: ys }: Shadow, corners: Int32Array): number {
  let twice = 0;
  for (let i = 0; i < 8; i++) {
    const [p, q] = [corners[i]!, corners[(i + 1) % 8]!];
    twice += xs[p]! * ys[q]! - xs[q]! * ys[p]!;
  }
  return twice / 2;
}

/** The hull of a shadow: of what lies within its eight corners none is on it (Akl and Toussaint, 1978). */
function hullOf({ across: xs, up: ys }: Shadow, corners: Int32Array): Vec2[] {
  const left = Array.from(corners, (k) => ({ x: xs[k]!, y: ys[k]! }));
  for (let k = 0; k < xs.length; k++) {
    const [x, y] = [xs[k]!, ys[k]!];
    for (let i = 0; i < 8; i++) {
      const [p, q] = [corners[i]!, corners[(i + 1) % 8]!];
      if ((xs[q]! - xs[p]!) * (y - ys[p]!) >= (ys[q]! - ys[p]!) * (x - xs[p]!)) continue;
      left.push({ x, y });
      break;
    }
  }
  return convexHull(left);
}

/** The box of least volume round points, among boxes that lie on one of 143 directions; longest side first. */
export function smallestBox(all: readonly Vec3[]): [number, number, number] {
  if (all.length === 0) return [0, 0, 0];
  const points = outermost(all);
  const count = points.length / 3;
  const shadow: Shadow = { across: new Float64Array(count), up: new Float64Array(count), low: 0, high: 0 };
  // No rectangle is smaller than what it goes round: the most promising first, and none that cannot be the best.
  const bounds = directions.map((_, i) => {
    seeAlong(points, i, shadow);
    const corners = eighths(shadow);
    return { i, corners, volume: leastArea(shadow, corners) * (shadow.high - shadow.low) };
  });
  let best: { sides: [number, number, number]; volume: number } | undefined;
  for (const { i, corners, volume: least } of bounds.sort((a, b) => a.volume - b.volume)) {
    if (best && least >= best.volume) break;
    seeAlong(points, i, shadow);
    const deep = shadow.high - shadow.low;
    const hull = hullOf(shadow, corners);
    if (best && Math.abs(signedArea(hull)) * deep >= best.volume) continue;
    const [a, b] = rectangle(hull);
    const volume = a * b * deep;
    if (!best || volume < best.volume)
      best = { sides: [a, b, deep].sort((x, y) => y - x) as [number, number, number], volume };
  }
  return best!.sides;
}

/** What opens, and bends cold, lies flat or goes into its like; what is glued into a hollow does not. */
export function packingOf(pieces: readonly Piece[], strain: StrainClass): Packing {
  const edges = pieces.filter((p) => p.role === 'shell').flatMap((p) => p.edges);
  const glued = edges.some((e) => e.joint === 'seam' || e.attached?.by === 'glue');
  if (!glued && strain === 'cold') return 'flat';
  return edges.some((e) => e.joint === 'closure') ? 'nested' : 'as it is';
}
