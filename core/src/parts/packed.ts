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

const dot = (a: Vec3, b: Vec3): number => a.x * b.x + a.y * b.y + a.z * b.z;

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

/** The points that stand out furthest in some direction: all that a box round them has to clear. */
function outermost(points: readonly Vec3[]): Vec3[] {
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
  return [...new Set(found)].map((k) => itemAt(points, k));
}

/** Two directions square to each of them. */
const squareTo = directions.map(across);

/** The area within the points of a shadow that stand out furthest in eight directions: its hull is no smaller. */
function leastArea(shadow: readonly Vec2[]): number {
  const found = eighths.map(() => ({ most: -Infinity, at: { x: 0, y: 0 } }));
  for (const p of shadow) {
    const sums = [p.x, p.x + p.y, p.y, p.y - p.x];
    for (let i = 0; i < 4; i++) {
      const h = sums[i]!;
      if (h > found[i]!.most) found[i] = { most: h, at: p };
      if (-h > found[i + 4]!.most) found[i + 4] = { most: -h, at: p };
    }
  }
  return signedArea(found.map((f) => f.at));
}
const eighths = [0, 1, 2, 3, 4, 5, 6, 7];

/** The box of least volume round points, among boxes that lie on one of 143 directions; longest side first. */
export function smallestBox(all: readonly Vec3[]): [number, number, number] {
  if (all.length === 0) return [0, 0, 0];
  const points = outermost(all);
  let best: { sides: [number, number, number]; volume: number } | undefined;
  for (const [i, n] of directions.entries()) {
    const [u, w] = itemAt(squareTo, i);
    let [low, high] = [Infinity, -Infinity];
    const shadow = points.map((p) => {
      const h = dot(p, n);
      low = Math.min(low, h);
      high = Math.max(high, h);
      return { x: dot(p, u), y: dot(p, w) };
    });
    // No rectangle is smaller than what it goes round.
    if (best && leastArea(shadow) * (high - low) >= best.volume) continue;
    const hull = convexHull(shadow);
    if (best && Math.abs(signedArea(hull)) * (high - low) >= best.volume) continue;
    const [a, b] = rectangle(hull);
    const volume = a * b * (high - low);
    if (!best || volume < best.volume)
      best = { sides: [a, b, high - low].sort((x, y) => y - x) as [number, number, number], volume };
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
