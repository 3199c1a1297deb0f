import { itemAt } from '../units';
import { convexHull } from './hull';
import { dist2, sub2, type Vec2 } from './vec';

/** A tape drawn tight over points from the first to the last: their hull without the side between those two. */
export function drawnOver(points: readonly Vec2[]): number {
  const hull = convexHull([...points]);
  const around = hull.reduce((sum, p, i) => sum + dist2(p, itemAt(hull, (i + 1) % hull.length)), 0);
  return around - dist2(itemAt(points, 0), itemAt(points, points.length - 1));
}

/**
 * A tape drawn tight from one point to another over what stands out beyond the straight way between them, to its left
 * as it is walked.
 */
export function drawnBetween(from: Vec2, to: Vec2, over: readonly Vec2[]): number {
  const way = sub2(to, from);
  const out = over.filter((p) => {
    const off = sub2(p, from);
    return way.x * off.y - way.y * off.x > 1e-9;
  });
  return out.length === 0 ? dist2(from, to) : drawnOver([from, ...out, to]);
}
