import { type Mesh, slicerOf, tapeGirthMm, type Vec2, type Vec3 } from '../geometry';
import { fail, ok, type Result } from '../units';
import { headHeightsMm, measureHeadScan } from './headScan';
import type { MeasureKey } from './measures';
import { evened, soundBodies, steady } from './scanSlices';

/** Factor to millimetres of the units a scan may come in. */
export const scanUnits = { mm: 1, cm: 10, m: 1000, in: 25.4 } as const;
export type ScanUnit = keyof typeof scanUnits;

/** Heights of a standing person, child to tall adult. */
const standingMm: readonly [number, number] = [800, 2300];

/** The units in which the tallest axis is as long as a person or a head; several may be possible, so the maker is asked. */
export function likelyUnits(mesh: Mesh): ScanUnit[] {
  const tallest = Math.max(...(['x', 'y', 'z'] as const).map((k) => spread(mesh, k)));
  return (Object.keys(scanUnits) as ScanUnit[]).filter((u) =>
    [standingMm, headHeightsMm].some(
      ([low, high]) => tallest * scanUnits[u] >= low && tallest * scanUnits[u] <= high,
    ),
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
const middleX = (points: readonly Vec2[]): number => points.reduce((sum, p) => sum + p.x, 0) / points.length;

/** Trunk and two arms of like girth: neither arm has run into the trunk. */
function armsApart(bodies: readonly Vec2[][]): boolean {
  const [, a, b] = bodies.map((body) => tapeGirthMm(body));
  return bodies.length === 3 && b! > 0.7 * a!;
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
 * A scan of a head alone is read as one. Holes do not matter as long as the hull's corners are there; each slice is read together with its neighbours.
 * @returns measures found, millimetres, or why the scan cannot be read.
 */
export function measureScan(mesh: Mesh): Result<Partial<Record<MeasureKey, number>>> {
  const stature = spread(mesh, 'z');
  if (stature >= headHeightsMm[0] && stature <= headHeightsMm[1]) return measureHeadScan(mesh);
  if (stature < 700 || stature > 2400)
    return fail(
      `The scan is ${Math.round(stature)} mm tall; people are 800 to 2300 mm, heads 180 to 450 mm. Choose another unit.`,
    );
  const cut = slicerOf(mesh);
  const found: Partial<Record<MeasureKey, number>> = { stature: Math.round(stature) };
  for (const { key, from, to, pick, bodies: least } of search) {
    const slices: Vec2[][] = [];
    for (let z = from * stature; z <= to * stature; z += STEP_MM) {
      const bodies = soundBodies(cut(z));
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
    found[key] = Math.round(pick === 'max' ? Math.max(...steady(girths)) : Math.min(...steady(girths)));
  }
  return ok(found);
}
