import { itemAt } from '../units';
import { convexHull, type Vec2 } from '../geometry';

/** Extents of a section along its own long and short axis, and how far its long axis is turned from +y, radians. */
export interface Extents {
  longMm: number;
  shortMm: number;
  turn: number;
}

/** Second moments of a ring of points spread evenly along its length. */
function moments(ring: readonly Vec2[]): { xx: number; yy: number; xy: number } {
  const sum = { length: 0, x: 0, y: 0, xx: 0, yy: 0, xy: 0 };
  ring.forEach((p, i) => {
    const q = itemAt(ring, (i + 1) % ring.length);
    const [l, x, y] = [Math.hypot(q.x - p.x, q.y - p.y), (p.x + q.x) / 2, (p.y + q.y) / 2];
    sum.length += l;
    sum.x += l * x;
    sum.y += l * y;
    sum.xx += l * x * x;
    sum.yy += l * y * y;
    sum.xy += l * x * y;
  });
  const [x, y] = [sum.x / sum.length, sum.y / sum.length];
  return {
    xx: sum.xx / sum.length - x * x,
    yy: sum.yy / sum.length - y * y,
    xy: sum.xy / sum.length - x * y,
  };
}

/** A section measured along the principal axes of its hull. */
export function extents(points: readonly Vec2[]): Extents {
  const { xx, yy, xy } = moments(convexHull(points));
  const turn = Math.atan2(-2 * xy, yy - xx) / 2;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const spread = (of: (p: Vec2) => number): number =>
    Math.max(...points.map(of)) - Math.min(...points.map(of));
  return { longMm: spread((p) => p.y * c - p.x * s), shortMm: spread((p) => p.x * c + p.y * s), turn };
}
