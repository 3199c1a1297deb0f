/** A level rectangle on a sheet, millimetres. */
export interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

const apart = (a: Rect, b: Rect): boolean =>
  a.x >= b.x + b.width || b.x >= a.x + a.width || a.y >= b.y + b.height || b.y >= a.y + a.height;

const holds = (a: Rect, b: Rect): boolean =>
  b.x >= a.x - 1e-9 &&
  b.y >= a.y - 1e-9 &&
  b.x + b.width <= a.x + a.width + 1e-9 &&
  b.y + b.height <= a.y + a.height + 1e-9;

/** What is left of a free rectangle beside something laid over part of it: up to four overlapping rectangles. */
function beside(free: Rect, taken: Rect): Rect[] {
  if (apart(free, taken)) return [free];
  const right = taken.x + taken.width;
  const top = taken.y + taken.height;
  return [
    { ...free, width: taken.x - free.x },
    { ...free, x: right, width: free.x + free.width - right },
    { ...free, height: taken.y - free.y },
    { ...free, y: top, height: free.y + free.height - top },
  ].filter((r) => r.width > 0 && r.height > 0);
}

/** Free room after something is laid: every largest free rectangle, none inside another. */
export function take(free: readonly Rect[], taken: Rect): Rect[] {
  const left = free.flatMap((f) => beside(f, taken));
  return left.filter(
    (r, i) => !left.some((other, k) => k !== i && holds(other, r) && (!holds(r, other) || k < i)),
  );
}

/** The free rectangle whose shorter leftover is least, lower left first among equals. */
export function snuggest(
  free: readonly Rect[],
  width: number,
  height: number,
): { rect: Rect; spare: number } | undefined {
  let best: { rect: Rect; spare: number } | undefined;
  for (const rect of free) {
    if (width > rect.width + 1e-9 || height > rect.height + 1e-9) continue;
    const spare = Math.min(rect.width - width, rect.height - height);
    const nearer = best && Math.abs(spare - best.spare) < 1e-6 && rect.x + rect.y < best.rect.x + best.rect.y;
    if (!best || spare < best.spare - 1e-6 || nearer) best = { rect, spare };
  }
  return best;
}
