import { rotate2, type Vec2 } from '../../geometry';
import type { Segment } from './profile';

/** Something that may meet something else: a part or the bare body, as it crosses the plane of movement. */
export interface Body2 {
  name: string;
  segments: readonly Segment[];
  /** Bare skin gives way to skin, so two bare bodies never limit each other. */
  bare: boolean;
  partId?: string;
}

/** The angle at which a movement ends and what ends it; without a pair it is free to `mostDeg`. */
export interface Limit {
  angleDeg: number;
  pair?: [Body2, Body2];
}

const side = (a: Vec2, b: Vec2, p: Vec2): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

const cross = ([a, b]: Segment, [c, d]: Segment): boolean =>
  side(a, b, c) > 0 !== side(a, b, d) > 0 && side(c, d, a) > 0 !== side(c, d, b) > 0;

/** A segment as the pivot sees it: how far off it lies and over which angles, in degrees. */
interface Seen {
  segment: Segment;
  near: number;
  far: number;
  from: number;
  to: number;
}

const degOf = (p: Vec2): number => (Math.atan2(p.y, p.x) * 180) / Math.PI;

function seen(segment: Segment): Seen {
  const [a, b] = segment;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const size = dx * dx + dy * dy;
  const t = size === 0 ? 0 : Math.min(1, Math.max(0, -(a.x * dx + a.y * dy) / size));
  const near = Math.hypot(a.x + t * dx, a.y + t * dy);
  const far = Math.max(Math.hypot(a.x, a.y), Math.hypot(b.x, b.y));
  const from = degOf(a);
  const turn = ((degOf(b) - from + 540) % 360) - 180;
  // A segment through the pivot is seen all round.
  return near < 1e-3
    ? { segment, near, far, from: 0, to: 360 }
    : { segment, near, far, from: Math.min(from, from + turn), to: Math.max(from, from + turn) };
}

/** Movements smaller than this start from touching: parts that rest on each other do not count against it. */
const REST_DEG = 4;

const turned = ([a, b]: Segment, deg: number): Segment => {
  const rad = (deg * Math.PI) / 180;
  return [rotate2(a, rad), rotate2(b, rad)];
};

/**
 * First whole degree from `startDeg` to `endDeg` at which some moving segment crosses a fixed one. Two segments can
 * only meet when they are as far from the pivot, and only while one turns past the other.
 */
function firstMeeting(
  moving: readonly Seen[],
  fixed: readonly Seen[],
  turn: 1 | -1,
  startDeg: number,
  endDeg: number,
): number | undefined {
  let best: number | undefined;
  for (const m of moving) {
    for (const f of fixed) {
      if (m.far < f.near || f.far < m.near) continue;
      const [low, high] = turn === 1 ? [f.from - m.to, f.to - m.from] : [m.from - f.to, m.to - f.from];
      // The same turn comes round every 360°.
      for (const round of [-360, 0, 360]) {
        const first = Math.max(startDeg, Math.floor(low + round));
        const last = Math.min((best ?? endDeg + 1) - 1, Math.ceil(high + round));
        for (let deg = first; deg <= last; deg++) {
          if (!cross(turned(m.segment, turn * deg), f.segment)) continue;
          best = deg;
          break;
        }
      }
    }
  }
  return best;
}

/**
 * Turns the moving bodies about the origin until one meets a fixed one, to a degree.
 * @param turn +1 turns counter-clockwise in the plane, −1 clockwise.
 */
export function sweep(
  moving: readonly Body2[],
  fixed: readonly Body2[],
  turn: 1 | -1,
  mostDeg: number,
): Limit {
  const limit: Limit = { angleDeg: mostDeg };
  const [movers, stays] = [moving, fixed].map((side) =>
    side.map((body) => ({ body, seen: body.segments.map(seen) })),
  ) as [{ body: Body2; seen: Seen[] }[], { body: Body2; seen: Seen[] }[]];
  for (const m of movers) {
    for (const f of stays) {
      if (m.body.bare && f.body.bare) continue;
      if (firstMeeting(m.seen, f.seen, turn, 0, REST_DEG) !== undefined) continue;
      const deg = firstMeeting(m.seen, f.seen, turn, REST_DEG + 1, limit.angleDeg);
      if (deg === undefined) continue;
      limit.angleDeg = deg - 1;
      limit.pair = [m.body, f.body];
    }
  }
  return limit;
}
