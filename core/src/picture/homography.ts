import { firstOf, itemAt } from '../units';
import type { Vec2 } from '../geometry';

/** Rows of a 3 × 3 matrix that carries points of one plane to another as a pinhole camera does; the last entry is 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

/** Solves a square system by elimination with the largest pivot; undefined when it has no one answer. */
function solved(rows: number[][]): number[] | undefined {
  const n = rows.length;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++)
      if (Math.abs(itemAt(itemAt(rows, i), k)) > Math.abs(itemAt(itemAt(rows, best), k))) best = i;
    [rows[k], rows[best]] = [itemAt(rows, best), itemAt(rows, k)];
    if (Math.abs(itemAt(itemAt(rows, k), k)) < 1e-10) return undefined;
    for (let i = 0; i < n; i++) {
      if (i === k) continue;
      const f = itemAt(itemAt(rows, i), k) / itemAt(itemAt(rows, k), k);
      for (let j = k; j <= n; j++) itemAt(rows, i)[j]! -= f * itemAt(itemAt(rows, k), j);
    }
  }
  return rows.map((row, i) => itemAt(row, n) / itemAt(row, i));
}

/** Middle and spread of four points, so that the equations are of one size (Hartley's normalisation). */
function normalised(of: readonly Vec2[]): { at: Vec2[]; middle: Vec2; spread: number } {
  const middle = {
    x: of.reduce((s, p) => s + p.x, 0) / of.length,
    y: of.reduce((s, p) => s + p.y, 0) / of.length,
  };
  const spread = of.reduce((s, p) => s + Math.hypot(p.x - middle.x, p.y - middle.y), 0) / of.length || 1;
  return {
    at: of.map((p) => ({ x: (p.x - middle.x) / spread, y: (p.y - middle.y) / spread })),
    middle,
    spread,
  };
}

/**
 * The camera's view that takes four points to four others; undefined where three of them lie in one line.
 * Source: direct linear transformation, exact for four pairs (Hartley and Zisserman, Multiple View Geometry, ch. 4).
 */
export function homography(from: readonly Vec2[], to: readonly Vec2[]): Homography | undefined {
  const [a, b] = [normalised(from), normalised(to)];
  const rows = a.at.flatMap((p, i) => {
    const q = itemAt(b.at, i);
    return [
      [p.x, p.y, 1, 0, 0, 0, -p.x * q.x, -p.y * q.x, q.x],
      [0, 0, 0, p.x, p.y, 1, -p.x * q.y, -p.y * q.y, q.y],
    ];
  });
  const h = solved(rows);
  if (!h) return undefined;
  const inner = [
    firstOf(h),
    itemAt(h, 1),
    itemAt(h, 2),
    itemAt(h, 3),
    itemAt(h, 4),
    itemAt(h, 5),
    itemAt(h, 6),
    itemAt(h, 7),
    1,
  ];
  const fromA = [1 / a.spread, 0, -a.middle.x / a.spread, 0, 1 / a.spread, -a.middle.y / a.spread, 0, 0, 1];
  const toB = [b.spread, 0, b.middle.x, 0, b.spread, b.middle.y, 0, 0, 1];
  return levelled(times(times(toB, inner), fromA));
}

const times = (p: readonly number[], q: readonly number[]): number[] =>
  Array.from({ length: 9 }, (_, i) => {
    const [row, column] = [Math.floor(i / 3) * 3, i % 3];
    return (
      itemAt(p, row) * itemAt(q, column) +
      itemAt(p, row + 1) * itemAt(q, column + 3) +
      itemAt(p, row + 2) * itemAt(q, column + 6)
    );
  });

const levelled = (m: readonly number[]): Homography | undefined =>
  Math.abs(itemAt(m, 8)) < 1e-12 ? undefined : (m.map((v) => v / itemAt(m, 8)) as unknown as Homography);

/** The view the other way; undefined when it flattens the plane into a line. */
export function inverse(m: Homography): Homography | undefined {
  const [a, b, c, d, e, f, g, h, i] = m;
  const adjugate = [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    a * e - b * d,
  ];
  return levelled(adjugate);
}

/** Where a point is seen; undefined for one at or behind the horizon. */
export function seenThrough(m: Homography, p: Vec2): Vec2 | undefined {
  const w = m[6] * p.x + m[7] * p.y + m[8];
  if (w < 1e-9) return undefined;
  return { x: (m[0] * p.x + m[1] * p.y + m[2]) / w, y: (m[3] * p.x + m[4] * p.y + m[5]) / w };
}
