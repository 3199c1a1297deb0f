import { itemAt } from '../units';
import { boundsOf, type Vec2 } from '../geometry';

/** Between a panel's own measure, shares of its width and height, and its flat piece. */
export interface Ways {
  /** Where a spot at shares of width and height lies flat; darts are minded. */
  flatAt: (at: Vec2) => Vec2;
  /** Shares of width and height of a spot of the flat piece; none off the foam. */
  uvAt: (p: Vec2) => Vec2 | undefined;
}

/** Spot of the flat and shares of the grid, triangle by triangle as the grid's mesh is made, so that darts stay open. */
export function waysOf(
  columns: number,
  rows: number,
  cornersOf: () => readonly (readonly [Vec2, Vec2, Vec2])[],
): Ways {
  const cellUv = (t: number): [Vec2, Vec2, Vec2] => {
    const cell = t >> 1;
    const [c, r] = [cell % columns, Math.floor(cell / columns)];
    const p = (i: number, j: number): Vec2 => ({ x: (c + i) / columns, y: (r + j) / rows });
    if ((r + c) % 2 === 0) return t % 2 === 0 ? [p(0, 0), p(1, 0), p(1, 1)] : [p(0, 0), p(1, 1), p(0, 1)];
    return t % 2 === 0 ? [p(0, 0), p(1, 0), p(0, 1)] : [p(1, 0), p(1, 1), p(0, 1)];
  };
  // Made when something first asks: most panels carry none.
  let near: ((p: Vec2) => readonly number[]) | undefined;
  return {
    flatAt: (at) => {
      const c = Math.min(columns - 1, Math.max(0, Math.floor(at.x * columns)));
      const r = Math.min(rows - 1, Math.max(0, Math.floor(at.y * rows)));
      const first = 2 * (r * columns + c);
      const shares = barycentric(cellUv(first), at);
      const t = Math.min(...shares) >= -1e-9 ? first : first + 1;
      return mixOf(itemAt(cornersOf(), t), t === first ? shares : barycentric(cellUv(t), at));
    },
    uvAt: (p) => {
      const corners = cornersOf();
      near ??= cellsOf(corners);
      for (const t of near(p)) {
        const shares = barycentric(itemAt(corners, t), p);
        if (Math.min(...shares) >= -1e-9) return mixOf(cellUv(t), shares);
      }
      return undefined;
    },
  };
}

/** A spot on the rim is on the foam, however its figures are rounded, mm. */
const RIM_MM = 1e-6;

/** Triangles whose boxes reach into the cell of a spot, in their order; none for a spot outside all of them. */
function cellsOf(corners: readonly (readonly [Vec2, Vec2, Vec2])[]): (p: Vec2) => readonly number[] {
  const { minX, minY, maxX, maxY } = boundsOf(corners.flat());
  const side = Math.max(1, Math.ceil(Math.sqrt(corners.length / 2)));
  const [wide, high] = [(maxX - minX) / side || 1, (maxY - minY) / side || 1];
  const cell = (at: number, from: number, step: number): number =>
    Math.min(side - 1, Math.max(0, Math.floor((at - from) / step)));
  const cells = Array.from({ length: side * side }, (): number[] => []);
  corners.forEach((triangle, t) => {
    const box = boundsOf(triangle);
    for (let r = cell(box.minY, minY, high); r <= cell(box.maxY, minY, high); r++)
      for (let c = cell(box.minX, minX, wide); c <= cell(box.maxX, minX, wide); c++)
        cells[r * side + c]!.push(t);
  });
  return (p) =>
    p.x < minX - RIM_MM || p.x > maxX + RIM_MM || p.y < minY - RIM_MM || p.y > maxY + RIM_MM
      ? []
      : cells[cell(p.y, minY, high) * side + cell(p.x, minX, wide)]!;
}

type Three = readonly [number, number, number];

/** Weights of a triangle's corners at a point. */
function barycentric([a, b, c]: readonly [Vec2, Vec2, Vec2], p: Vec2): Three {
  const whole = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
  if (Math.abs(whole) < 1e-12) return [-1, -1, -1];
  const u = ((b.x - p.x) * (c.y - p.y) - (b.y - p.y) * (c.x - p.x)) / whole;
  const v = ((c.x - p.x) * (a.y - p.y) - (c.y - p.y) * (a.x - p.x)) / whole;
  return [u, v, 1 - u - v];
}

const mixOf = ([a, b, c]: readonly [Vec2, Vec2, Vec2], [u, v, w]: Three): Vec2 => ({
  x: a.x * u + b.x * v + c.x * w,
  y: a.y * u + b.y * v + c.y * w,
});
