import { firstOf, itemAt } from '../units';
import { dist3, type Vec3 } from '../geometry';

/** A point of a rim: how far along it is, how much the surface turns there, and whether another neighbour begins. */
export interface RimPoint {
  index: number;
  alongMm: number;
  /** π less the angle of the surface: large at a sharp corner, none along a smooth edge. */
  turnRad: number;
  junction: boolean;
}

/** So many candidates are tried four at a time. */
const MOST = 14;
/** What counts besides sharpness: even sides, and corners where neighbours change. */
const EVEN = 0.9;
const JUNCTION = 0.25;

export function rimPoints(
  points: readonly Vec3[],
  rim: readonly number[],
  angles: readonly number[],
  beyond: readonly (number | undefined)[],
): RimPoint[] {
  let along = 0;
  return rim.map((v, i) => {
    const found = {
      index: i,
      alongMm: along,
      turnRad: Math.PI - itemAt(angles, i),
      junction: beyond[i] !== beyond[(i + rim.length - 1) % rim.length],
    };
    along += dist3(itemAt(points, v), itemAt(points, itemAt(rim, (i + 1) % rim.length)));
    return found;
  });
}

/**
 * The four points of a rim that make the best corners of a grid: sharp ones, with opposite sides alike in length.
 * @returns indices in the rim, ascending.
 */
export function cornersOf(all: readonly RimPoint[], totalMm: number): [number, number, number, number] {
  const even = [0, 1, 2, 3, 4, 5, 6, 7].map((k) => {
    const at = (k * totalMm) / 8;
    return all.reduce((a, b) => (Math.abs(b.alongMm - at) < Math.abs(a.alongMm - at) ? b : a));
  });
  const weight = (p: RimPoint): number => p.turnRad + (p.junction ? JUNCTION : 0);
  const sharp = [...all].sort((a, b) => weight(b) - weight(a)).slice(0, MOST - even.length + 2);
  const tried = [...new Set([...sharp, ...even])].sort((a, b) => a.index - b.index);
  const n = tried.length;
  let best: [number, number, number, number] = [0, 1, 2, 3];
  let most = -Infinity;
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++)
      for (let c = b + 1; c < n; c++)
        for (let d = c + 1; d < n; d++) {
          const four = [itemAt(tried, a), itemAt(tried, b), itemAt(tried, c), itemAt(tried, d)] as const;
          const sides = four.map((p, i) => {
            const length = itemAt(four, (i + 1) % 4).alongMm - p.alongMm;
            return length > 0 ? length : length + totalMm;
          });
          const least = Math.min(...sides);
          const [u, v] = [
            Math.abs(firstOf(sides) - itemAt(sides, 2)),
            Math.abs(itemAt(sides, 1) - itemAt(sides, 3)),
          ];
          const score =
            four.reduce((sum, p) => sum + Math.min(1.6, weight(p)), 0) -
            (EVEN * 4 * (u + v)) / totalMm -
            (least < 0.05 * totalMm ? 2 * (1 - least / (0.05 * totalMm)) : 0);
          if (score > most) {
            most = score;
            best = [a, b, c, d];
          }
        }
  return best.map((k) => itemAt(tried, k).index) as [number, number, number, number];
}
