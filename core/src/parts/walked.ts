import type { Anchor } from '../forms';
import { add3, cross3, dot3, length3, scale3, sub3, unit3, type Vec2, type Vec3 } from '../geometry';
import { onGrid } from '../panel';

/** A face is walked in steps no longer than this, mm. */
const STEP_MM = 3;
/** How far a spot is looked at either side to see which way the face runs, as a share of the face. */
const LOOK = 1e-3;

const within = (t: number): number => Math.min(1, Math.max(0, t));

/** Which way a face runs at a spot when its share of the width or the height grows, per share. */
function runs(grid: readonly Vec3[][], at: Vec2, key: 'x' | 'y'): Vec3 {
  const [low, high] = [within(at[key] - LOOK), within(at[key] + LOOK)];
  return scale3(
    sub3(onGrid(grid, { ...at, [key]: high }), onGrid(grid, { ...at, [key]: low })),
    1 / Math.max(1e-9, high - low),
  );
}

/**
 * A spot on the face of an anchor, so far across and up it from its middle, measured along the face; beyond its edge it
 * goes straight on. Across is to the right as seen from outside, up is as near to the anchor's own as the face allows.
 * @returns the spot on the outer face and the way out there.
 */
export function walked({ face, at, out, up }: Anchor, by: Vec2): { at: Vec3; out: Vec3 } {
  const grid = face!.grid;
  let spot = { ...face!.at };
  let place = at;
  let way = unit3(out);
  const far = Math.hypot(by.x, by.y);
  const steps = Math.max(1, Math.ceil(far / STEP_MM));
  let beyond = false;
  for (let i = 0; i < steps && far > 0; i++) {
    const level = sub3(up, scale3(way, dot3(up, way)));
    const high = unit3(length3(level) < 1e-6 ? cross3(way, { x: 1, y: 0, z: 0 }) : level);
    const across = cross3(high, way);
    const step = scale3(add3(scale3(across, by.x), scale3(high, by.y)), 1 / steps);
    if (!beyond) {
      const [u, v] = [runs(grid, spot, 'x'), runs(grid, spot, 'y')];
      // The step in the plane of the two directions of the grid (least squares).
      const [uu, uv, vv] = [dot3(u, u), dot3(u, v), dot3(v, v)];
      const [su, sv] = [dot3(step, u), dot3(step, v)];
      const whole = uu * vv - uv * uv;
      const next =
        Math.abs(whole) < 1e-9
          ? spot
          : { x: spot.x + (su * vv - sv * uv) / whole, y: spot.y + (sv * uu - su * uv) / whole };
      beyond = next.x < 0 || next.x > 1 || next.y < 0 || next.y > 1;
      if (!beyond) {
        spot = next;
        const normal = unit3(cross3(runs(grid, spot, 'x'), runs(grid, spot, 'y')));
        way = normal;
        place = add3(onGrid(grid, spot), scale3(normal, face!.thickMm));
        continue;
      }
    }
    place = add3(place, step);
  }
  return { at: place, out: way };
}
