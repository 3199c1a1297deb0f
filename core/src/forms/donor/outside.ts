import { boundsOf } from '../../geometry';
import { drawnOutline } from '../../outline';
import type { DonorParams } from './fields';
import { type Cell, radiusAt } from './hollow';

/** How large it is outside. */
export interface Outside {
  wideMm: number;
  footMm: number;
  highMm: number;
  /** Depth outside at a height, and how far its front is before its middle there. */
  deepAt: (zMm: number) => number;
  frontAt: (zMm: number) => number;
}

export function outsideOf({ shape, wideMm, highMm, deepMm, girths, outline }: DonorParams): Outside {
  if (shape === 'outline' || shape === 'section') {
    const b = boundsOf(drawnOutline(outline).outline);
    // Rooms are counted from the middle line of the drawing.
    const wide = 2 * Math.max(Math.abs(b.minX), Math.abs(b.maxX));
    return shape === 'outline'
      ? { wideMm: wide, footMm: b.minY, highMm: b.maxY, deepAt: () => deepMm, frontAt: () => deepMm / 2 }
      : { wideMm: wide, footMm: 0, highMm, deepAt: () => b.maxY - b.minY, frontAt: () => -b.minY };
  }
  if (shape === 'box') return { wideMm, footMm: 0, highMm, deepAt: () => deepMm, frontAt: () => deepMm / 2 };
  const zs = girths.map((g) => g.zMm);
  return {
    wideMm: Math.max(...girths.map((g) => g.girthMm)) / Math.PI,
    footMm: Math.min(...zs),
    highMm: Math.max(...zs),
    deepAt: (z) => 2 * radiusAt(girths, z),
    frontAt: (z) => radiusAt(girths, z),
  };
}

/** The part of a described room that is within the case. */
export function within(cell: Cell, out: Outside, wallMm: number): Cell {
  const clip = (from: number, to: number, low: number, high: number): [number, number] => {
    const a = Math.min(Math.max(from, low), high - 3);
    return [a, Math.max(Math.min(to, high), a + 3)];
  };
  const half = Math.max(3, out.wideMm / 2 - wallMm);
  const [left, right] = clip(cell.acrossMm - cell.wideMm / 2, cell.acrossMm + cell.wideMm / 2, -half, half);
  const [low, high] = clip(
    cell.upMm - cell.highMm / 2,
    cell.upMm + cell.highMm / 2,
    out.footMm + wallMm,
    Math.max(out.footMm + wallMm + 3, out.highMm - wallMm),
  );
  const middle = (low + high) / 2;
  return {
    acrossMm: (left + right) / 2,
    upMm: middle,
    wideMm: right - left,
    highMm: high - low,
    deepMm: Math.max(3, Math.min(cell.deepMm, out.deepAt(middle) - 2 * wallMm)),
  };
}
