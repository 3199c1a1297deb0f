import type { Mesh } from '../geometry/mesh';
import { sliceAt, tapeGirthMm } from '../geometry/slice';
import type { Vec2, Vec3 } from '../geometry/vec';
import { fail, ok, type Result } from '../units/result';
import type { MeasureKey } from './measures';

/** Factor to millimetres of the units a scan may come in, with a standing person's height in them. */
export const scanUnits = { mm: 1, cm: 10, m: 1000, in: 25.4 } as const;
export type ScanUnit = keyof typeof scanUnits;

/** The unit in which the tallest axis is a person's height; several may be possible, so the maker is asked. */
export function likelyUnits(mesh: Mesh): ScanUnit[] {
  const tallest = Math.max(...(['x', 'y', 'z'] as const).map((k) => spread(mesh, k)));
  return (Object.keys(scanUnits) as ScanUnit[]).filter(
    (u) => tallest * scanUnits[u] >= 800 && tallest * scanUnits[u] <= 2300,
  );
}

const spread = (mesh: Mesh, key: keyof Vec3): number => {
  let [low, high] = [Infinity, -Infinity];
  for (const p of mesh.points) {
    low = Math.min(low, p[key]);
    high = Math.max(high, p[key]);
  }
  return high - low;
};

/** The scan stood up: tallest axis to z, feet on the floor, millimetres. */
export function standUp(mesh: Mesh, unit: ScanUnit): Mesh {
  const axes = (['x', 'y', 'z'] as const)
    .map((key) => ({ key, size: spread(mesh, key) }))
    .sort((a, b) => b.size - a.size);
  const up = axes[0]!.key;
  const [first, second] =
    up === 'z' ? (['x', 'y'] as const) : up === 'y' ? (['x', 'z'] as const) : (['y', 'z'] as const);
  const floor = mesh.points.reduce((min, p) => Math.min(min, p[up]), Infinity);
  const f = scanUnits[unit];
  return {
    points: mesh.points.map((p) => ({ x: p[first] * f, y: p[second] * f, z: (p[up] - floor) * f })),
    triangles: mesh.triangles,
  };
}

/** Slices are taken this far apart; mm. */
const STEP_MM = 3;
/** Parts of a slice further apart than this belong to different limbs; mm. */
const APART_MM = 24;

/** Points of a slice gathered into bodies that do not touch: trunk and arms, or two legs. Largest girth first. */
export function bodiesOfSlice(points: readonly Vec2[]): Vec2[][] {
  const cells = new Map<string, number[]>();
  const cellOf = (p: Vec2): [number, number] => [Math.floor(p.x / APART_MM), Math.floor(p.y / APART_MM)];
  points.forEach((p, i) => {
    const key = cellOf(p).join(',');
    const cell = cells.get(key);
    if (cell) cell.push(i);
    else cells.set(key, [i]);
  });
  const groups: Vec2[][] = [];
  const seen = new Uint8Array(points.length);
  points.forEach((_, seed) => {
    if (seen[seed]) return;
    seen[seed] = 1;
    const queue = [seed];
    const group: Vec2[] = [];
    while (queue.length > 0) {
      const p = points[queue.pop()!]!;
      group.push(p);
      const [x, y] = cellOf(p);
      for (let dx = -1; dx <= 1; dx++) {
        for (let dy = -1; dy <= 1; dy++) {
          for (const i of cells.get(`${x + dx},${y + dy}`) ?? []) {
            if (seen[i] || Math.hypot(points[i]!.x - p.x, points[i]!.y - p.y) > APART_MM) continue;
            seen[i] = 1;
            queue.push(i);
          }
        }
      }
    }
    groups.push(group);
  });
  return groups.sort((a, b) => tapeGirthMm(b) - tapeGirthMm(a));
}

const middleX = (points: readonly Vec2[]): number => points.reduce((sum, p) => sum + p.x, 0) / points.length;

/** Bodies of a slice that are more than stray points. */
const soundBodies = (points: readonly Vec2[]): Vec2[][] =>
  bodiesOfSlice(points).filter((b) => b.length >= 8 && tapeGirthMm(b) > 120);

/** Trunk and two arms of like girth: neither arm has run into the trunk. */
function armsApart(bodies: readonly Vec2[][]): boolean {
  const [, a, b] = bodies.map((body) => tapeGirthMm(body));
  return bodies.length === 3 && b! > 0.7 * a!;
}

/** Directions a section is read in. */
const RAYS = 60;

/**
 * A section with its noise evened out: the mean of what was seen in each of sixty directions from its middle.
 * A hull of noisy points is too wide by about twice the noise all round; a hull of means is not.
 */
function evened(points: readonly Vec2[]): Vec2[] {
  const n = points.length;
  const middle = points.reduce((s, p) => ({ x: s.x + p.x / n, y: s.y + p.y / n }), { x: 0, y: 0 });
  const rays = Array.from({ length: RAYS }, () => ({ x: 0, y: 0, count: 0 }));
  for (const p of points) {
    const turn = Math.atan2(p.y - middle.y, p.x - middle.x) / (2 * Math.PI) + 1;
    const ray = rays[Math.floor(turn * RAYS) % RAYS]!;
    ray.x += p.x;
    ray.y += p.y;
    ray.count += 1;
  }
  return rays.filter((r) => r.count > 0).map(({ x, y, count }) => ({ x: x / count, y: y / count }));
}

/** Share of stature between which each girth is looked for, whether the widest or the narrowest counts, and how many
 * bodies a slice must show (trunk and two arms, so that an arm is not measured with the chest); from memory. */
const search: { key: MeasureKey; from: number; to: number; pick: 'max' | 'min'; bodies: number }[] = [
  { key: 'hipGirth', from: 0.49, to: 0.56, pick: 'max', bodies: 1 },
  { key: 'waistGirth', from: 0.58, to: 0.66, pick: 'min', bodies: 1 },
  { key: 'chestGirth', from: 0.69, to: 0.75, pick: 'max', bodies: 3 },
  { key: 'calfGirth', from: 0.15, to: 0.27, pick: 'max', bodies: 2 },
  { key: 'headGirth', from: 0.92, to: 0.955, pick: 'max', bodies: 1 },
];

/**
 * Reads a standing scan as a tape would: level slices, the convex hull of each body in them.
 * Holes do not matter as long as the hull's corners are there; each slice is read together with its neighbours.
 * @returns measures found, millimetres, or why the scan cannot be read.
 */
export function measureScan(mesh: Mesh): Result<Partial<Record<MeasureKey, number>>> {
  const stature = spread(mesh, 'z');
  if (stature < 700 || stature > 2400)
    return fail(
      `The scan is ${Math.round(stature)} mm tall; people are 800 to 2300 mm. Choose another unit.`,
    );
  const found: Partial<Record<MeasureKey, number>> = { stature: Math.round(stature) };
  for (const { key, from, to, pick, bodies: least } of search) {
    const slices: Vec2[][] = [];
    for (let z = from * stature; z <= to * stature; z += STEP_MM) {
      const bodies = soundBodies(sliceAt(mesh, z));
      if (bodies.length < least || (least === 3 && !armsApart(bodies))) continue;
      const before = slices.at(-1);
      const near = (b: Vec2[]): number => (before ? Math.abs(middleX(b) - middleX(before)) : 0);
      // Two legs are alike: stay on the one begun with.
      slices.push(before && least === 2 ? bodies.reduce((a, b) => (near(b) < near(a) ? b : a)) : bodies[0]!);
    }
    if (slices.length < 3) continue;
    // A tape is a few millimetres wide: a hole in one slice is bridged by its neighbours, and noise evens out.
    const girths = slices
      .slice(1, -1)
      .map((s, i) => tapeGirthMm(evened([...slices[i]!, ...s, ...slices[i + 2]!])));
    const steady = girths.map((_, i) => {
      const near = girths.slice(Math.max(0, i - 1), i + 2).sort((a, b) => a - b);
      return near[Math.floor(near.length / 2)]!;
    });
    found[key] = Math.round(pick === 'max' ? Math.max(...steady) : Math.min(...steady));
  }
  return ok(found);
}
