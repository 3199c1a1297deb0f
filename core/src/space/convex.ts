import { add3, cross3, dot3, length3, scale3, type Vec2, type Vec3 } from '../geometry';

/** A place to put something: its middle, unit vectors across and up the plane it stands on, and the way into the room. */
export interface Stand {
  at: Vec3;
  across: Vec3;
  up: Vec3;
  inward: Vec3;
}

/** A convex solid that takes room: its corners, the normals of its faces and the directions of its edges. */
export interface Convex {
  points: Vec3[];
  normals: Vec3[];
  edges: Vec3[];
}

/** A spot of a stand's plane, so far into the room. */
export const onStand = ({ at, across, up, inward }: Stand, { x, y }: Vec2, depthMm: number): Vec3 =>
  add3(at, add3(scale3(across, x), add3(scale3(up, y), scale3(inward, depthMm))));

/** The solid over a convex outline on a stand, from one depth to another, mm. */
export function prism(stand: Stand, outline: readonly Vec2[], fromMm: number, toMm: number): Convex {
  const sides = outline.map((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    const [x, y] = [q.x - p.x, q.y - p.y];
    const size = Math.hypot(x, y) || 1;
    return { x: x / size, y: y / size };
  });
  const inPlane = (x: number, y: number): Vec3 => add3(scale3(stand.across, x), scale3(stand.up, y));
  return {
    points: [fromMm, toMm].flatMap((depth) => outline.map((p) => onStand(stand, p, depth))),
    normals: [stand.inward, ...sides.map(({ x, y }) => inPlane(y, -x))],
    edges: [stand.inward, ...sides.map(({ x, y }) => inPlane(x, y))],
  };
}

/** How deep two solids lie in each other, and the way the first is to be moved by that to be free. */
export interface Overlap {
  mm: number;
  way: Vec3;
}

function reachOf(points: readonly Vec3[], axis: Vec3): [number, number] {
  let [least, most] = [Infinity, -Infinity];
  for (const p of points) {
    const d = dot3(p, axis);
    if (d < least) least = d;
    if (d > most) most = d;
  }
  return [least, most];
}

/** Directions this near to parallel span no plane. */
const PARALLEL = 1e-9;

/**
 * The least shift that parts two convex solids, by the separating axis theorem (Gottschalk, Lin and Manocha, 1996): some
 * face of either, or a plane along an edge of each, lies between them. Exact for polyhedra.
 * @returns nothing when they only touch or are apart.
 */
export function overlapOf(a: Convex, b: Convex): Overlap | undefined {
  let best: Overlap | undefined;
  /** Whether they overlap along an axis; the least of the overlaps is kept. */
  const overlaps = (axis: Vec3): boolean => {
    const [a0, a1] = reachOf(a.points, axis);
    const [b0, b1] = reachOf(b.points, axis);
    const [ahead, back] = [b1 - a0, a1 - b0];
    if (ahead <= 0 || back <= 0) return false;
    const mm = Math.min(ahead, back);
    if (!best || mm < best.mm) best = { mm, way: ahead < back ? axis : scale3(axis, -1) };
    return true;
  };
  for (const axis of [...a.normals, ...b.normals]) if (!overlaps(axis)) return undefined;
  for (const p of a.edges)
    for (const q of b.edges) {
      const axis = cross3(p, q);
      const size = length3(axis);
      if (size > PARALLEL && !overlaps(scale3(axis, 1 / size))) return undefined;
    }
  return best;
}
