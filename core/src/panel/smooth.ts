import { itemAt, firstOf } from '../units';
import { add3, scale3, type Vec3 } from '../geometry';

/** Points between `b` and `c` on the cubic through four evenly spaced points (Catmull and Rom, 1974). */
function between(a: Vec3, b: Vec3, c: Vec3, d: Vec3, t: number): Vec3 {
  const weights = [
    (-t + 2 * t * t - t ** 3) / 2,
    (2 - 5 * t * t + 3 * t ** 3) / 2,
    (t + 4 * t * t - 3 * t ** 3) / 2,
    (-t * t + t ** 3) / 2,
  ];
  return [a, b, c, d].reduce((sum, p, i) => add3(sum, scale3(p, itemAt(weights, i))), { x: 0, y: 0, z: 0 });
}

/** The point before a run's first, as the parabola through its first three goes on. */
const before = (p: Vec3, q: Vec3, r: Vec3): Vec3 => add3(scale3(sub(p, q), 3), r);
const sub = (p: Vec3, q: Vec3): Vec3 => add3(p, scale3(q, -1));

/** A run of points with `times` as many steps, on a smooth curve through all of them; a straight one stays straight. */
export function smoothRun(run: readonly Vec3[], times: number): Vec3[] {
  const last = run.length - 1;
  if (last < 2) {
    const [a, b] = [firstOf(run), itemAt(run, last)];
    return Array.from({ length: times * last + 1 }, (_, i) =>
      add3(scale3(a, 1 - i / (times * last)), scale3(b, i / (times * last))),
    );
  }
  const at = (i: number): Vec3 =>
    i < 0
      ? before(firstOf(run), itemAt(run, 1), itemAt(run, 2))
      : i > last
        ? before(itemAt(run, last), itemAt(run, last - 1), itemAt(run, last - 2))
        : itemAt(run, i);
  const points = run
    .slice(0, -1)
    .flatMap((_, i) =>
      Array.from({ length: times }, (_, k) => between(at(i - 1), at(i), at(i + 1), at(i + 2), k / times)),
    );
  return [...points, itemAt(run, last)];
}

/** A grid of points `times` as fine both ways, on the smooth surface through all of them. */
export function smoothed(grid: readonly (readonly Vec3[])[], times: number): Vec3[][] {
  const rows = grid.map((row) => smoothRun(row, times));
  const columns = firstOf(rows).map((_, c) =>
    smoothRun(
      rows.map((row) => itemAt(row, c)),
      times,
    ),
  );
  return firstOf(columns).map((_, r) => columns.map((column) => itemAt(column, r)));
}
