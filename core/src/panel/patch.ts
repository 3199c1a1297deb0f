import { firstOf, itemAt, lastOf } from '../units';
import { dist3, lerp2, lerp3, type Vec2, type Vec3 } from '../geometry';
import type { Side, Stretch } from './panel';

/** Value of a grid at fractions of its width and height, between the four points round it. */
export function between<T>(grid: readonly T[][], { x, y }: Vec2, mix: (a: T, b: T, t: number) => T): T {
  const columns = firstOf(grid).length - 1;
  const rows = grid.length - 1;
  const c = Math.min(columns - 1, Math.max(0, Math.floor(x * columns)));
  const r = Math.min(rows - 1, Math.max(0, Math.floor(y * rows)));
  const [s, t] = [x * columns - c, y * rows - r];
  const low = mix(itemAt(itemAt(grid, r), c), itemAt(itemAt(grid, r), c + 1), s);
  return mix(low, mix(itemAt(itemAt(grid, r + 1), c), itemAt(itemAt(grid, r + 1), c + 1), s), t);
}

export const onGrid = (grid: readonly Vec3[][], at: Vec2): Vec3 => between(grid, at, lerp3);

/** A point given along a side (0…1, counter-clockwise) and inwards (0…1), as fractions of the grid. */
function fromSide(side: Side, along: number, inwards: number): Vec2 {
  switch (side) {
    case 'bottom':
      return { x: along, y: inwards };
    case 'right':
      return { x: 1 - inwards, y: along };
    case 'top':
      return { x: 1 - along, y: 1 - inwards };
    case 'left':
      return { x: inwards, y: 1 - along };
  }
}

const STEPS = 24;

/** Fraction of a way at which it has run `mm`, up to its end. */
function fractionAt(way: (t: number) => Vec3, mm: number, upTo = 1): number {
  let run = 0;
  let last = way(0);
  for (let i = 1; i <= STEPS; i++) {
    const next = way((i / STEPS) * upTo);
    const step = dist3(last, next);
    if (run + step >= mm) return ((i - 1 + (mm - run) / Math.max(step, 1e-9)) / STEPS) * upTo;
    run += step;
    last = next;
  }
  return upTo;
}

/** The part of a run of fractions from `startMm` to `endMm` before its end, as `count` evenly spaced points; none if nothing is left. */
function cutRun(
  grid: readonly Vec3[][],
  run: readonly Vec2[],
  startMm: number,
  endMm: number,
  count: number,
): Vec2[] | undefined {
  const lengths = [0];
  for (let i = 1; i < run.length; i++)
    lengths.push(
      itemAt(lengths, i - 1) + dist3(onGrid(grid, itemAt(run, i - 1)), onGrid(grid, itemAt(run, i))),
    );
  const whole = lastOf(lengths);
  if (whole - startMm - endMm < 4) return undefined;
  return Array.from({ length: count }, (_, i) => {
    const want = startMm + ((whole - startMm - endMm) * i) / (count - 1);
    const k = Math.max(
      1,
      lengths.findIndex((l) => l >= want - 1e-9),
    );
    const step = itemAt(lengths, k) - itemAt(lengths, k - 1);
    return lerp2(itemAt(run, k - 1), itemAt(run, k), step === 0 ? 0 : (want - itemAt(lengths, k - 1)) / step);
  });
}

/** Points at a depth inside a stretch of a side, over its whole length; fractions of the grid. */
export function runInside(grid: readonly Vec3[][], { side, from, to }: Stretch, depthMm: number): Vec2[] {
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const along = from + ((to - from) * i) / STEPS;
    const way = (t: number): Vec3 => onGrid(grid, fromSide(side, along, t));
    return fromSide(side, along, depthMm === 0 ? 0 : fractionAt(way, depthMm));
  });
}

/**
 * A band of `widthMm` along a stretch of a side, three rows deep from the edge inwards. Where a neighbouring side carries a
 * band too, the end is mitred: it draws in by as much as the band is deep there.
 */
export function bandAlong(
  grid: readonly Vec3[][],
  stretch: Stretch,
  widthMm: number,
  mitre: { start: boolean; end: boolean },
): Vec2[][] | undefined {
  const rows = [0, 0.5, 1].map((share) => {
    const depth = share * widthMm;
    return cutRun(
      grid,
      runInside(grid, stretch, depth),
      mitre.start ? depth : 0,
      mitre.end ? depth : 0,
      STEPS + 1,
    );
  });
  return rows.every((row) => row !== undefined) ? rows : undefined;
}

/** The grid drawn in by a distance on every side; nothing when the piece is too small for that. */
export function insetOf(grid: readonly Vec3[][], insetMm: number): Vec2[][] | undefined {
  const rows = grid.length - 1;
  const columns = firstOf(grid).length - 1;
  const upright = Array.from({ length: columns + 1 }, (_, c) => {
    const run = Array.from({ length: rows * 2 + 1 }, (_, r) => ({ x: c / columns, y: r / (rows * 2) }));
    return cutRun(grid, run, insetMm, insetMm, rows + 1);
  });
  if (upright.some((run) => run === undefined)) return undefined;
  const across = Array.from({ length: rows + 1 }, (_, r) =>
    cutRun(
      grid,
      upright.map((run) => run![r]!),
      insetMm,
      insetMm,
      columns + 1,
    ),
  );
  const kept = across.filter((row) => row !== undefined);
  // A piece that runs out to a point loses the rows where nothing is left between its insets.
  return kept.length >= 3 ? kept : undefined;
}

/** Evenly spaced spots along a stretch of a side, `insetMm` inside it and about `spacingMm` apart, clear of the corners. */
export function spotsAlong(
  grid: readonly Vec3[][],
  stretch: Stretch,
  insetMm: number,
  spacingMm: number,
): Vec2[] {
  const run = runInside(grid, stretch, insetMm);
  const whole = run
    .slice(1)
    .reduce((sum, p, i) => sum + dist3(onGrid(grid, p), onGrid(grid, itemAt(run, i))), 0);
  const count = Math.floor((whole - 2 * insetMm) / spacingMm) + 1;
  return count < 2 ? [] : (cutRun(grid, run, insetMm, insetMm, count) ?? []);
}
