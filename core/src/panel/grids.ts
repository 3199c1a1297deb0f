import { type Ellipse, ellipseAtNormal, type Vec3 } from '../geometry';

/** A horizontal slice of a form: an ellipse with its middle, at a height. */
export interface Slice extends Ellipse {
  x: number;
  y: number;
  z: number;
}

const share = (i: number, n: number): number => i / n;

/** A grid over `columns` by `rows` cells from a function of the two shares. */
export const gridOf = (columns: number, rows: number, at: (u: number, v: number) => Vec3): Vec3[][] =>
  Array.from({ length: rows + 1 }, (_, r) =>
    Array.from({ length: columns + 1 }, (_, c) => at(share(c, columns), share(r, rows))),
  );

/** A point of a slice pushed out, at a normal angle in degrees (0 is +x, 90 is +y, counter-clockwise from above). */
export function onSlice(slice: Slice, angleDeg: number, outMm: number): Vec3 {
  const p = ellipseAtNormal(slice, (angleDeg * Math.PI) / 180, outMm);
  return { x: p.x + slice.x, y: p.y + slice.y, z: slice.z };
}

/** A point of an ellipsoid: azimuth like `onSlice`, elevation from its equator. */
export function onEllipsoid(
  axes: { x: number; y: number; z: number },
  centre: Vec3,
  azimuthDeg: number,
  elevationDeg: number,
): Vec3 {
  const [az, el] = [(azimuthDeg * Math.PI) / 180, (elevationDeg * Math.PI) / 180];
  return {
    x: centre.x + axes.x * Math.cos(el) * Math.cos(az),
    y: centre.y + axes.y * Math.cos(el) * Math.sin(az),
    z: centre.z + axes.z * Math.sin(el),
  };
}

/** A flat board standing upright, facing +y. */
export const board = (widthMm: number, heightMm: number, at: Vec3): Vec3[][] =>
  gridOf(1, 1, (u, v) => ({ x: at.x + widthMm * (0.5 - u), y: at.y, z: at.z + heightMm * v }));

/**
 * Half the turn of normals that covers `widthMm` of a slice pushed out, about `middleDeg`; degrees.
 * Arc length is radius of curvature times turn: R = a²b² / (a²cos²θ + b²sin²θ)^(3/2) plus the offset.
 */
export function halfTurnFor(slice: Ellipse, middleDeg: number, widthMm: number, outMm: number): number {
  const { a, b } = slice;
  const STEP_DEG = 0.5;
  let covered = 0;
  for (let half = STEP_DEG; half <= 180; half += STEP_DEG) {
    let step = 0;
    for (const sign of [1, -1]) {
      const t = ((middleDeg + sign * (half - STEP_DEG / 2)) * Math.PI) / 180;
      const radius = (a * a * b * b) / ((a * Math.cos(t)) ** 2 + (b * Math.sin(t)) ** 2) ** 1.5;
      step += ((radius + outMm) * STEP_DEG * Math.PI) / 180;
    }
    if (covered + step >= widthMm) return half - STEP_DEG + (STEP_DEG * (widthMm - covered)) / step;
    covered += step;
  }
  return 180;
}
