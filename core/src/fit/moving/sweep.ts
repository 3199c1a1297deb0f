import { rotate2, type Vec2 } from '../../geometry/vec';
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
  Math.max(a.x, b.x) >= Math.min(c.x, d.x) &&
  Math.max(c.x, d.x) >= Math.min(a.x, b.x) &&
  Math.max(a.y, b.y) >= Math.min(c.y, d.y) &&
  Math.max(c.y, d.y) >= Math.min(a.y, b.y) &&
  side(a, b, c) > 0 !== side(a, b, d) > 0 &&
  side(c, d, a) > 0 !== side(c, d, b) > 0;

const meet = (a: readonly Segment[], b: readonly Segment[]): boolean =>
  a.some((s) => b.some((t) => cross(s, t)));

const turned = (segments: readonly Segment[], rad: number): Segment[] =>
  segments.map(([a, b]): Segment => [rotate2(a, rad), rotate2(b, rad)]);

/** Movements smaller than this start from touching: parts that rest on each other do not count against it. */
const REST_DEG = 4;

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
  const pairs = moving.flatMap((m) => fixed.filter((f) => !(m.bare && f.bare)).map((f) => [m, f] as const));
  const meets = ([m, f]: readonly [Body2, Body2], deg: number): boolean =>
    meet(turned(m.segments, (turn * deg * Math.PI) / 180), f.segments);
  const counted = pairs.filter((pair) => !meets(pair, 0) && !meets(pair, REST_DEG));
  for (let deg = REST_DEG; deg <= mostDeg; deg += 3) {
    const pair = counted.find((p) => meets(p, deg));
    if (!pair) continue;
    const back = [2, 1].find((k) => counted.some((p) => meets(p, deg - k))) ?? 0;
    return { angleDeg: deg - back - 1, pair: [pair[0], pair[1]] };
  }
  return { angleDeg: mostDeg };
}
