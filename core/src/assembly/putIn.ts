import { add3, dot3, type Vec3 } from '../geometry';
import { allOntoRoot, membersOf, type PartReport } from '../parts';
import type { Convex } from '../space';
import { bodyOf, boxOf, rigid, type Rigid } from './between';
import { askedSolid, boxesMeet, spotsOn } from './solids';

/** Something that was put in one part and lies in another: a plug in the bore with its pack, a tang where a switch is. */
export interface PutInClash {
  partId: string;
  featureId: string;
  name: string;
  otherId: string;
  deepMm: number;
}

/** Foam and glue give this much, mm; common practice, no source. */
const GIVES_MM = 1;

/** The box along the axes round some spots. */
const boxRound = (spots: readonly Vec3[]): { least: Vec3; most: Vec3 } => ({
  least: spots.reduce((a, p) => ({ x: Math.min(a.x, p.x), y: Math.min(a.y, p.y), z: Math.min(a.z, p.z) })),
  most: spots.reduce((a, p) => ({ x: Math.max(a.x, p.x), y: Math.max(a.y, p.y), z: Math.max(a.z, p.z) })),
});

/** How deep a spot lies in a convex solid, mm: to the nearest of its faces; nothing outside. */
function deepInConvex({ points, normals }: Convex, p: Vec3): number {
  let least = Infinity;
  for (const n of normals) {
    const at = dot3(n, p);
    let [low, high] = [Infinity, -Infinity];
    for (const q of points) {
      const d = dot3(n, q);
      if (d < low) low = d;
      if (d > high) high = d;
    }
    least = Math.min(least, at - low, high - at);
    if (least <= 0) return 0;
  }
  return least;
}

/** Spots all through a convex solid: its corners, and from them to its middle. */
function spotsIn({ points }: Convex): Vec3[] {
  const middle = points.reduce(
    (sum, p) => add3(sum, { x: p.x / points.length, y: p.y / points.length, z: p.z / points.length }),
    {
      x: 0,
      y: 0,
      z: 0,
    },
  );
  return [0, 0.35, 0.7, 1].flatMap((t) =>
    points.map((p) => ({
      x: p.x + (middle.x - p.x) * t,
      y: p.y + (middle.y - p.y) * t,
      z: p.z + (middle.z - p.z) * t,
    })),
  );
}

/** How deep one thing that was put in a part lies in the foam, sticks and plates of another of its assembly. */
export function deepIn(solid: Convex, other: PartReport, way: Rigid): number {
  const asked = askedSolid(bodyOf(other));
  const own = boxRound(solid.points);
  if (!boxesMeet(boxOf(own, way.to), asked)) return 0;
  let deep = 0;
  for (const { at } of spotsOn(asked.mesh, boxOf(own, way.to)))
    deep = Math.max(deep, deepInConvex(solid, way.back(at)));
  for (const spot of spotsIn(solid)) {
    const p = way.to(spot);
    const { mm, behind } = asked.away(p, deep);
    if (behind && mm > deep && asked.inside(p)) deep = mm;
  }
  return deep;
}

/** Everything that was put in one part and lies in another part of the same assembly. */
export function putInClashes(
  parts: readonly PartReport[],
  rootOf: (part: PartReport) => PartReport,
): PutInClash[] {
  return parts.flatMap((part): PutInClash[] => {
    if (part.bodies.length === 0) return [];
    const root = rootOf(part);
    const [own] = allOntoRoot(parts, part.id, root.id);
    return membersOf(parts, root.id).flatMap((other): PutInClash[] => {
      if (!own || other === part) return [];
      return allOntoRoot(parts, other.id, root.id).flatMap((theirs): PutInClash[] => {
        const { back } = rigid(theirs);
        const way = rigid((p) => back(own(p)));
        return part.bodies.flatMap(({ featureId, name, solids }): PutInClash[] => {
          const deepMm = Math.max(0, ...solids.map((s) => deepIn(s, other, way)));
          return deepMm > GIVES_MM ? [{ partId: part.id, featureId, name, otherId: other.id, deepMm }] : [];
        });
      });
    });
  });
}
