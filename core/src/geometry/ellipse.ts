import type { Vec2 } from './vec';

/** Semi-axes in millimetres; `a` lies along x, `b` along y. */
export interface Ellipse {
  a: number;
  b: number;
}

/**
 * Perimeter of an ellipse by the Gauss–Kummer series in h = ((a−b)/(a+b))²
 * (Abramowitz & Stegun, Handbook of Mathematical Functions, ch. 17).
 */
export function ellipsePerimeter({ a, b }: Ellipse): number {
  const h = ((a - b) / (a + b)) ** 2;
  let coefficient = 1;
  let sum = 1;
  let power = 1;
  for (let n = 1; n < 60; n++) {
    coefficient *= (0.5 - (n - 1)) / n;
    power *= h;
    const term = coefficient * coefficient * power;
    sum += term;
    if (term < 1e-16) break;
  }
  return Math.PI * (a + b) * sum;
}

/** The ellipse of breadth-to-depth `ratio` (x over y) whose girth is `girthMm`. */
export function ellipseOfGirth(girthMm: number, ratio: number): Ellipse {
  const scale = girthMm / ellipsePerimeter({ a: ratio, b: 1 });
  return { a: ratio * scale, b: scale };
}

/**
 * Point of the ellipse pushed out by `offset` whose outward normal stands at `angle` to x.
 * Support-function form: the parallel curve keeps its normals, so offsetting is exact.
 */
export function ellipseAtNormal({ a, b }: Ellipse, angle: number, offset = 0): Vec2 {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  const root = Math.sqrt((a * c) ** 2 + (b * s) ** 2);
  return { x: (a * a * c) / root + offset * c, y: (b * b * s) / root + offset * s };
}

/** Steiner: a closed convex curve of length P pushed out by d has length P + 2πd. */
export const parallelGirth = (girthMm: number, outMm: number): number => girthMm + 2 * Math.PI * outMm;

/**
 * Signed distance of a point from the ellipse, positive outside. The nearest point is the one whose normal
 * passes through the point; its angle is found by bisection in the first quadrant.
 */
export function distanceToEllipse({ a, b }: Ellipse, p: Vec2): number {
  const [x, y] = [Math.abs(p.x), Math.abs(p.y)];
  const inside = (x / a) ** 2 + (y / b) ** 2 < 1;
  let low = 0;
  let high = Math.PI / 2;
  for (let i = 0; i < 32; i++) {
    const t = (low + high) / 2;
    const [px, py] = [a * Math.cos(t), b * Math.sin(t)];
    // Along the tangent the nearest point has no part of the way to p left.
    const left = (x - px) * -a * Math.sin(t) + (y - py) * b * Math.cos(t);
    if (left > 0) low = t;
    else high = t;
  }
  const t = (low + high) / 2;
  const away = Math.hypot(x - a * Math.cos(t), y - b * Math.sin(t));
  return inside ? -away : away;
}
