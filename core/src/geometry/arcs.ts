import { dist2, type Vec2 } from './vec';

/** A stretch of an outline: straight to a point, or round a centre to it. */
export type Stretch = { to: Vec2 } | { to: Vec2; centre: Vec2; ccw: boolean };

/** An arc stands for at least so many points, and turns no further than this, so that no machine takes it the short way round. */
const LEAST_POINTS = 5;
const MOST_TURN = Math.PI * 0.9;
const MOST_RADIUS_MM = 5000;

function circleThrough(a: Vec2, b: Vec2, c: Vec2): { centre: Vec2; r: number } | undefined {
  const [bx, by, cx, cy] = [b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y];
  const d = 2 * (bx * cy - by * cx);
  if (Math.abs(d) < 1e-9) return undefined;
  const [bb, cc] = [bx * bx + by * by, cx * cx + cy * cy];
  const x = (cy * bb - by * cc) / d;
  const y = (bx * cc - cx * bb) / d;
  return { centre: { x: a.x + x, y: a.y + y }, r: Math.hypot(x, y) };
}

/** The arc through a run of points, when every point and the middle of every chord lies within `withinMm` of it. */
function arcOver(points: readonly Vec2[], from: number, to: number, withinMm: number): Stretch | undefined {
  const [a, c] = [points[from]!, points[to]!];
  const b = points[(from + to) >> 1]!;
  const circle = circleThrough(a, b, c);
  if (!circle || circle.r > MOST_RADIUS_MM) return undefined;
  const { centre, r } = circle;
  const ccw = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x) > 0;
  let turned = 0;
  for (let i = from; i < to; i++) {
    const [p, q] = [points[i]!, points[i + 1]!];
    const middle = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
    if (Math.abs(dist2(p, centre) - r) > withinMm || Math.abs(dist2(middle, centre) - r) > withinMm)
      return undefined;
    const turn = Math.atan2(
      (p.x - centre.x) * (q.y - centre.y) - (p.y - centre.y) * (q.x - centre.x),
      (p.x - centre.x) * (q.x - centre.x) + (p.y - centre.y) * (q.y - centre.y),
    );
    // A run that goes back on itself is no arc.
    if (turn > 0 !== ccw) return undefined;
    turned += Math.abs(turn);
  }
  return turned > MOST_TURN ? undefined : { to: c, centre, ccw };
}

/** A run of points as straight stretches and arcs, nowhere further than `withinMm` from it; begins at the first point. */
export function stretchesOf(points: readonly Vec2[], withinMm: number): Stretch[] {
  const made: Stretch[] = [];
  let at = 0;
  while (at < points.length - 1) {
    let best: { arc: Stretch; end: number } | undefined;
    for (let end = at + LEAST_POINTS - 1; end < points.length; end++) {
      const arc = arcOver(points, at, end, withinMm);
      if (!arc) break;
      best = { arc, end };
    }
    made.push(best?.arc ?? { to: points[at + 1]! });
    at = best?.end ?? at + 1;
  }
  return made;
}
