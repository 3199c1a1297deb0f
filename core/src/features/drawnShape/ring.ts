import { dist2, lerp2, rotate2, type Vec2 } from '../../geometry';
import { drawnOutline } from '../../outline';
import { wayOf } from '../laying/spot';
import type { ShapeParams } from './fields';

/** A ring is laid over a bent face in steps no longer than this, mm. */
const STEP_MM = 4;

/** The drawing at its scale about the spot, the way it is turned, finely stepped. */
export function ringOf(
  { outline, scalePct }: ShapeParams,
  turnDeg: number,
): { ring: Vec2[]; crosses: boolean } {
  const drawn = drawnOutline(outline);
  const scaled = drawn.outline.map((p) => ({ x: (p.x * scalePct) / 100, y: (p.y * scalePct) / 100 }));
  const ring = scaled.flatMap((a, i) => {
    const b = scaled[(i + 1) % scaled.length] ?? a;
    const n = Math.max(1, Math.ceil(dist2(a, b) / STEP_MM));
    return Array.from({ length: n }, (_, k) => lerp2(a, b, k / n));
  });
  return { ring: ring.map((p) => rotate2(p, (-turnDeg * Math.PI) / 180)), crosses: drawn.crosses };
}

/** Where the middles of a row of them lie about the spot; the row runs across the way it is turned. */
export function middlesOf({ count, stepMm }: ShapeParams, turnDeg: number): Vec2[] {
  const up = wayOf(turnDeg);
  const along = { x: up.y, y: -up.x };
  return Array.from({ length: count }, (_, i) => {
    const mm = (i - (count - 1) / 2) * stepMm;
    return { x: along.x * mm, y: along.y * mm };
  });
}
