import { firstOf } from '../units';
import { dist3, lerp2, type Vec2, type Vec3 } from './vec';

/** A ruled strip: ruling i runs from `low[i]` to `high[i]`. */
export interface RuledStrip {
  low: Vec3[];
  high: Vec3[];
}

/** The strip laid flat, same indices. */
export interface FlatStrip {
  low: Vec2[];
  high: Vec2[];
}

/** Third corner of a triangle to the right of a→b, from its distances to a and to b. */
function corner(a: Vec2, b: Vec2, toA: number, toB: number): Vec2 {
  const base = Math.hypot(b.x - a.x, b.y - a.y);
  const along = (toA * toA - toB * toB + base * base) / (2 * base);
  const out = Math.sqrt(Math.max(0, toA * toA - along * along));
  const ux = (b.x - a.x) / base;
  const uy = (b.y - a.y) / base;
  return { x: a.x + ux * along + uy * out, y: a.y + uy * along - ux * out };
}

/**
 * Lays a developable ruled strip flat triangle by triangle, keeping every edge, ruling and diagonal
 * length. Exact for planar quads, which rulings of a developable surface give in the limit.
 * The first ruling lies along +y from the origin and the strip grows towards +x. When rulings turn
 * counter-clockwise about the axis from low to high, this is the outer face as seen from outside.
 */
export function unrollStrip({ low, high }: RuledStrip): FlatStrip {
  const flat: FlatStrip = { low: [{ x: 0, y: 0 }], high: [{ x: 0, y: dist3(firstOf(low), firstOf(high)) }] };
  for (let i = 1; i < low.length; i++) {
    const a = flat.low[i - 1]!;
    const b = flat.high[i - 1]!;
    const c = corner(a, b, dist3(low[i - 1]!, high[i]!), dist3(high[i - 1]!, high[i]!));
    const d = corner(a, c, dist3(low[i - 1]!, low[i]!), dist3(low[i]!, high[i]!));
    flat.low.push(d);
    flat.high.push(c);
  }
  return flat;
}

/** Point of the flat strip at ruling position `at` (fractional index) and fraction `v` along the ruling. */
export function flatPoint(flat: FlatStrip, at: number, v: number): Vec2 {
  const i = Math.min(flat.low.length - 2, Math.max(0, Math.floor(at)));
  const t = at - i;
  return lerp2(lerp2(flat.low[i]!, flat.low[i + 1]!, t), lerp2(flat.high[i]!, flat.high[i + 1]!, t), v);
}
