import type { Vec2 } from './vec';

/** Between boxes, as a share of the largest one. */
const GAP = 0.08;
/** Boxes in rows, one row after another, in about a shape: its width over its height. Each by its upper left corner, y downwards. */
export function boxesInRows(
  sizes: readonly { w: number; h: number }[],
  shape: number,
): { spots: Vec2[]; w: number; h: number } {
  const gap = GAP * Math.max(...sizes.map((s) => Math.max(s.w, s.h)));
  const area = sizes.reduce((sum, s) => sum + (s.w + gap) * (s.h + gap), 0);
  const wide = Math.max(...sizes.map((s) => s.w), Math.sqrt(area * shape) * 1.05);
  let [x, y, row, w] = [0, 0, 0, 0];
  const spots = sizes.map((s) => {
    if (x > 0 && x + s.w > wide) [x, y, row] = [0, y + row + gap, 0];
    const spot = { x, y };
    x += s.w + gap;
    row = Math.max(row, s.h);
    w = Math.max(w, x - gap);
    return spot;
  });
  return { spots, w, h: y + row };
}
