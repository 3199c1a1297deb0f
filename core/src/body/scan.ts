import { type Mesh, slicerOf, tapeGirthMm, type Vec2, type Vec3 } from '../geometry';
import { fail, ok, type Result, firstOf, itemAt } from '../units';
import { headHeightsMm, measureHeadScan, skullOf } from './headScan';
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

type Axis = 'x' | 'y' | 'z';

/** The mesh with another axis up, feet on the floor, in millimetres. */
function turnedUp(mesh: Mesh, up: Axis, perUnitMm: number): Mesh {
  const [first, second] =
    up === 'z' ? (['x', 'y'] as const) : up === 'y' ? (['x', 'z'] as const) : (['y', 'z'] as const);
  const floor = mesh.points.reduce((min, p) => Math.min(min, p[up]), Infinity);
  return {
    points: mesh.points.map((p) => ({
      x: p[first] * perUnitMm,
      y: p[second] * perUnitMm,
      z: (p[up] - floor) * perUnitMm,
    })),
    triangles: mesh.triangles,
  };
}

/** A head is nearly as long as it is high; axes this near in size are told apart by the nose. */
const ALIKE = 0.8;
/** Within so much of its end a nose is not much thicker than a thumb; chins and crowns are. mm. */
const NOSE_END_MM = 10;
const NOSE_GIRTH_MM = 150;

/** Girth of the slighter end of a mesh along its upright axis, mm: a nose has little, a chin or a crown more. */
function slighterEnd(mesh: Mesh): number {
  const cut = slicerOf(mesh);
  return Math.min(...[NOSE_END_MM, spread(mesh, 'z') - NOSE_END_MM].map((z) => tapeGirthMm(cut(z))));
}

/** The scan stood up: tallest axis to z, feet on the floor, millimetres. A head stands on its chin, not on its nose. */
export function standUp(mesh: Mesh, unit: ScanUnit): Mesh {
  const perUnitMm = scanUnits[unit];
  const sized = (['x', 'y', 'z'] as const)
    .map((key) => ({ key, size: spread(mesh, key) * perUnitMm }))
    .sort((a, b) => b.size - a.size);
  const tallest = firstOf(sized);
  const stood = turnedUp(mesh, tallest.key, perUnitMm);
  if (tallest.size < headHeightsMm[0] || tallest.size > headHeightsMm[1]) return stood;
  if (slighterEnd(stood) > NOSE_GIRTH_MM) return stood;
  return sized
    .filter((s) => s.size > ALIKE * tallest.size)
    .map((s) => (s === tallest ? stood : turnedUp(mesh, s.key, perUnitMm)))
    .map((way) => ({ way, end: slighterEnd(way) }))
    .reduce((a, b) => (b.end > a.end ? b : a)).way;
}

/** Slices are taken this far apart; mm. */
const STEP_MM = 3;
const middleX = (points: readonly Vec2[]): number => points.reduce((sum, p) => sum + p.x, 0) / points.length;

const middleOf = (points: readonly Vec2[]): Vec2 => ({
  x: middleX(points),
  y: points.reduce((sum, p) => sum + p.y, 0) / points.length,
});

/** A trunk between two arms of like girth: neither arm has run into the trunk, nor into a half of it where the scan has a hole. */
function armsApart(bodies: readonly Vec2[][]): boolean {
  if (bodies.length !== 3) return false;
  const [, a, b] = bodies.map((body) => tapeGirthMm(body));
  const [trunk, one, other] = bodies.map(middleOf) as [Vec2, Vec2, Vec2];
  const between = (one.x - trunk.x) * (other.x - trunk.x) + (one.y - trunk.y) * (other.y - trunk.y) < 0;
  return between && b! > 0.7 * a!;
}

/** Share of stature between which each girth is looked for, whether the widest or the narrowest counts, and how many
 * bodies a slice must show (trunk and two arms, so that an arm is not measured with the chest); from memory. */
const search: { key: MeasureKey; from: number; to: number; pick: 'max' | 'min'; bodies: number }[] = [
  { key: 'hipGirth', from: 0.49, to: 0.56, pick: 'max', bodies: 1 },
  { key: 'waistGirth', from: 0.58, to: 0.66, pick: 'min', bodies: 1 },
  { key: 'chestGirth', from: 0.69, to: 0.75, pick: 'max', bodies: 3 },
  { key: 'calfGirth', from: 0.15, to: 0.27, pick: 'max', bodies: 2 },
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
      slices.push(
        before && least === 2 ? bodies.reduce((a, b) => (near(b) < near(a) ? b : a)) : firstOf(bodies),
      );
    }
    if (slices.length < 3) continue;
    // A tape is a few millimetres wide: a hole in one slice is bridged by its neighbours, and noise evens out.
    const girths = slices
      .slice(1, -1)
      .map((s, i) => tapeGirthMm(evened([...itemAt(slices, i), ...s, ...itemAt(slices, i + 2)])));
    found[key] = Math.round(pick === 'max' ? Math.max(...steady(girths)) : Math.min(...steady(girths)));
  }
  const skull = skullOf(
    cut,
    mesh.points.reduce((top, p) => Math.max(top, p.z), -Infinity),
  );
  if (skull) found.headGirth = Math.round(skull.girthMm);
  return ok(found);
}
