import { firstOf, itemAt } from '../units';
import { fromTriangle, type Vec2, type Vec3 } from '../geometry';

/** Points of a surface that are measured to the grid over it, and cells round their place that are looked at. */
const PROBES = 300;
const ROUND = 2;

/** The farthest that points lie from a grid, each from the nearest cell about its place on the square. */
export function farthest(points: readonly Vec3[], square: readonly Vec2[], grid: readonly Vec3[][]): number {
  const [rows, columns] = [grid.length - 1, firstOf(grid).length - 1];
  const step = Math.max(1, Math.floor(points.length / PROBES));
  let worst = 0;
  for (let v = 0; v < points.length; v += step) {
    const [c0, r0] = [Math.floor(itemAt(square, v).x * columns), Math.floor(itemAt(square, v).y * rows)];
    let least = Infinity;
    for (let r = Math.max(0, r0 - ROUND); r < Math.min(rows, r0 + ROUND + 1); r++)
      for (let c = Math.max(0, c0 - ROUND); c < Math.min(columns, c0 + ROUND + 1); c++) {
        const [a, b, d, e] = [
          itemAt(itemAt(grid, r), c),
          itemAt(itemAt(grid, r), c + 1),
          itemAt(itemAt(grid, r + 1), c),
          itemAt(itemAt(grid, r + 1), c + 1),
        ];
        least = Math.min(
          least,
          fromTriangle(itemAt(points, v), a, b, e),
          fromTriangle(itemAt(points, v), a, e, d),
        );
      }
    worst = Math.max(worst, least);
  }
  return worst;
}
