import { boundsOf, signedArea, type Vec2 } from '../../geometry';

/** A solid where it lies: outer rings run anticlockwise, holes clockwise, so that the inside is left of every edge. */
export interface Solid {
  rings: readonly (readonly Vec2[])[];
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
}

/** @param rings the outer one first, in any sense. */
export function solidOf(rings: readonly (readonly Vec2[])[]): Solid {
  const turned = rings.map((ring, i) =>
    signedArea([...ring]) > 0 === (i === 0) ? ring : [...ring].reverse(),
  );
  return { rings: turned, ...boundsOf(turned[0]!) };
}

export const movedBy = ({ rings, minX, maxX, minY, maxY }: Solid, by: Vec2): Solid => ({
  rings: rings.map((ring) => ring.map((p) => ({ x: p.x + by.x, y: p.y + by.y }))),
  minX: minX + by.x,
  maxX: maxX + by.x,
  minY: minY + by.y,
  maxY: maxY + by.y,
});

/** Rounding, mm: what passes an end of an edge within this grazes it, and what lies no deeper in another touches it. */
const GRAZE_MM = 1e-6;
const DEEP_MM = 1e-5;
/** What grazes is moved this much aside, to see whether it passes. */
const ASIDE_MM = 3e-6;

interface Meeting {
  mm: number;
  /** Met at an end of an edge, where it may as well pass. */
  grazes: boolean;
}

/** What lies within a box: corners, and edges that may. */
interface Near {
  corners: Vec2[];
  /** From and to, by turns. */
  edges: Vec2[];
}

type Box = Omit<Solid, 'rings'>;

const touches = (a: Box, b: Box): boolean =>
  a.minX <= b.maxX && b.minX <= a.maxX && a.minY <= b.maxY && b.minY <= a.maxY;

/** A box and all it passes going so far along a way; and a hair more. */
const swept = ({ minX, maxX, minY, maxY }: Box, dx: number, dy: number): Box => ({
  minX: minX + Math.min(0, dx) - DEEP_MM,
  maxX: maxX + Math.max(0, dx) + DEEP_MM,
  minY: minY + Math.min(0, dy) - DEEP_MM,
  maxY: maxY + Math.max(0, dy) + DEEP_MM,
});

function nearIn({ rings }: Solid, { minX, maxX, minY, maxY }: Box): Near {
  const near: Near = { corners: [], edges: [] };
  for (const ring of rings) {
    let a = ring[ring.length - 1]!;
    for (const b of ring) {
      if (b.x >= minX && b.x <= maxX && b.y >= minY && b.y <= maxY) near.corners.push(b);
      const [left, right] = a.x < b.x ? [a.x, b.x] : [b.x, a.x];
      const [low, high] = a.y < b.y ? [a.y, b.y] : [b.y, a.y];
      if (left <= maxX && right >= minX && low <= maxY && high >= minY) near.edges.push(a, b);
      a = b;
    }
  }
  return near;
}

/** How far corners go along a way before one of them meets an edge from its outside. */
function firstMeeting(
  corners: readonly Vec2[],
  edges: readonly Vec2[],
  wayX: number,
  wayY: number,
  most: Meeting,
): Meeting {
  let { mm, grazes } = most;
  // Where corners lie across the way: an edge is met by those that pass between its ends.
  const across = Float64Array.from(corners, (p) => p.y * wayX - p.x * wayY);
  for (let i = 0; i < edges.length; i += 2) {
    const [a, b] = [edges[i]!, edges[i + 1]!];
    const [ex, ey] = [b.x - a.x, b.y - a.y];
    const length = Math.hypot(ex, ey);
    // Seen from outside: what goes along the edge or away from it does not meet it.
    const towards = (wayY * ex - wayX * ey) / length;
    if (!(towards > 1e-9)) continue;
    const [aAcross, bAcross] = [a.y * wayX - a.x * wayY, b.y * wayX - b.x * wayY];
    const low = Math.min(aAcross, bAcross) - GRAZE_MM;
    const high = Math.max(aAcross, bAcross) + GRAZE_MM;
    for (let k = 0; k < across.length; k++) {
      if (across[k]! < low || across[k]! > high) continue;
      const p = corners[k]!;
      const off = ((p.x - a.x) * ey - (p.y - a.y) * ex) / length;
      if (off < -DEEP_MM || off >= mm * towards) continue;
      const t = Math.max(0, off / towards);
      const along = ((p.x + t * wayX - a.x) * ex + (p.y + t * wayY - a.y) * ey) / length;
      if (along < -GRAZE_MM || along > length + GRAZE_MM) continue;
      mm = t;
      grazes = along < GRAZE_MM || along > length - GRAZE_MM;
    }
  }
  return { mm, grazes };
}

function meeting(moving: Solid, still: Solid, way: Vec2, most: number): Meeting {
  const [dx, dy] = [way.x * most, way.y * most];
  const own = nearIn(moving, swept(still, -dx, -dy));
  const other = nearIn(still, swept(moving, dx, dy));
  const first = firstMeeting(own.corners, other.edges, way.x, way.y, { mm: most, grazes: false });
  return firstMeeting(other.corners, own.edges, -way.x, -way.y, first);
}

/**
 * How far a solid slides along a way before it meets another that lies still, no further than `most`; exact for
 * solids that do not lie in each other.
 * @param way of length 1.
 */
export function slideMm(moving: Solid, still: Solid, way: Vec2, most: number): number {
  if (!touches(swept(moving, way.x * most, way.y * most), still)) return most;
  const { mm, grazes } = meeting(moving, still, way, most);
  if (!grazes) return mm;
  // It passes where it passes a hair to either side.
  const aside = (by: number): number =>
    meeting(movedBy(moving, { x: -way.y * by, y: way.x * by }), still, way, most).mm;
  return Math.max(mm, aside(ASIDE_MM), aside(-ASIDE_MM));
}
