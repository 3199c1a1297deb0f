import { itemAt } from '../units';
import type { Vec2 } from '../geometry';

/** An outline turns into another edge where it turns more than this, degrees. */
const CORNER_DEG = 30;

/** Points of an outline at which one edge ends and another begins. */
export function sharpCorners(outline: readonly Vec2[]): number[] {
  const n = outline.length;
  return outline.flatMap((p, i) => {
    const [a, b] = [itemAt(outline, (i + n - 1) % n), itemAt(outline, (i + 1) % n)];
    const turn = Math.atan2(
      (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
      (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
    );
    return Math.abs(turn) > (CORNER_DEG * Math.PI) / 180 ? [i] : [];
  });
}
