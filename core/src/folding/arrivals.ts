import type { Mesh, Vec3 } from '../geometry';
import type { PartReport } from '../parts';
import { toScene } from '../view';
import type { FoldedPiece } from './foldPart';

/** What is laid on comes from so far outside, and what carries the part from so far off; shares of the size of the part. */
const DETAIL = 0.35;
const CARRIER = 0.7;

/** The middle of points, and how large they are across. */
function extent(points: readonly Vec3[]): { middle: Vec3; sizeMm: number } {
  const low = { x: Infinity, y: Infinity, z: Infinity };
  const high = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const p of points)
    for (const k of ['x', 'y', 'z'] as const) {
      low[k] = Math.min(low[k], p[k]);
      high[k] = Math.max(high[k], p[k]);
    }
  return {
    middle: { x: (low.x + high.x) / 2, y: (low.y + high.y) / 2, z: (low.z + high.z) / 2 },
    sizeMm: Math.hypot(high.x - low.x, high.y - low.y, high.z - low.z),
  };
}

/** A mesh that is moved as it is: from away to its place. */
function carriedIn(
  id: string,
  kind: FoldedPiece['kind'],
  points: readonly Vec3[],
  triangles: readonly (readonly number[])[],
  from: Vec3,
): FoldedPiece {
  const numbers = new Map<number, number>();
  const own: Vec3[] = [];
  const corners = Uint32Array.from(triangles.flat(), (i) => {
    const known = numbers.get(i) ?? own.push(points[i]!) - 1;
    numbers.set(i, known);
    return known;
  });
  const at = (by: number): Float32Array =>
    Float32Array.from(own.flatMap((p) => [p.x + from.x * by, p.y + from.y * by, p.z + from.z * by]));
  return { id, kind, from: -1, triangles: corners, keys: [at(1), at(0)] };
}

/** What comes to the shell of a part once it is together: its details from outside, what it is mounted with, its wires. */
export function arrivals(
  part: PartReport,
  { beside, wires = [] }: { beside?: Mesh | undefined; wires?: readonly (readonly Vec3[])[] },
): FoldedPiece[] {
  const place = toScene(part);
  const { middle, sizeMm } = extent(part.solid.mesh.points.map(place));
  const extras = part.extras.points.map(place);
  const details = part.extraRuns
    .filter((run) => run.to > run.from)
    .map((run) => {
      const triangles = part.extras.triangles.slice(run.from, run.to);
      const own = extent(triangles.flat().map((i) => extras[i]!)).middle;
      const way = { x: own.x - middle.x, y: own.y - middle.y, z: own.z - middle.z };
      const long = Math.hypot(way.x, way.y, way.z);
      const by = DETAIL * sizeMm;
      // What sits in the very middle comes from the front.
      const from =
        long < 1
          ? { x: 0, y: 0, z: by }
          : { x: (way.x / long) * by, y: (way.y / long) * by, z: (way.z / long) * by };
      return carriedIn(run.id, 'detail', extras, triangles, from);
    });
  const carrier =
    beside && beside.triangles.length > 0
      ? [
          carriedIn('·beside', 'carrier', beside.points.map(place), beside.triangles, {
            x: 0,
            y: -CARRIER * sizeMm,
            z: 0,
          }),
        ]
      : [];
  return [
    ...details,
    ...carrier,
    ...wires
      .filter((run) => run.length > 1)
      .map((run, i): FoldedPiece => ({
        id: `·wire ${i + 1}`,
        kind: 'wire',
        from: -1,
        triangles: new Uint32Array(0),
        keys: [Float32Array.from(run.map(place).flatMap(({ x, y, z }) => [x, y, z]))],
      })),
  ];
}
