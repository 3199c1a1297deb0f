import { boundsOf, contains, type Vec2 } from '../../geometry';
import type { Shape } from '../shape';
import type { Box } from './words';

/** Words keep this clear of every line and of each other, mm. */
const CLEAR_MM = 0.5;

/** Where a page ends within a drawing: words lie on one side or the other. */
export interface Breaks {
  xs: readonly number[];
  ys: readonly number[];
}

export const noBreaks: Breaks = { xs: [], ys: [] };

const padded = (b: Box): Box => ({
  minX: b.minX - CLEAR_MM,
  minY: b.minY - CLEAR_MM,
  maxX: b.maxX + CLEAR_MM,
  maxY: b.maxY + CLEAR_MM,
});

export const meet = (a: Box, b: Box): boolean =>
  a.minX < b.maxX && b.minX < a.maxX && a.minY < b.maxY && b.minY < a.maxY;

/** Whether a segment comes within a box (Liang and Barsky). */
function crosses(a: Vec2, b: Vec2, box: Box): boolean {
  let [from, to] = [0, 1];
  for (const [start, step, low, high] of [
    [a.x, b.x - a.x, box.minX, box.maxX],
    [a.y, b.y - a.y, box.minY, box.maxY],
  ] as const) {
    if (Math.abs(step) < 1e-12) {
      if (start < low || start > high) return false;
      continue;
    }
    const [t, u] = [(low - start) / step, (high - start) / step];
    from = Math.max(from, Math.min(t, u));
    to = Math.min(to, Math.max(t, u));
    if (from > to) return false;
  }
  return true;
}

type Segment = readonly [Vec2, Vec2];

/** Cells that lines are kept in, so that words ask only those near them; mm. */
const CELL_MM = 12;

/** A piece's face as words see it: what is drawn on it, and what is written already. */
export class Surface {
  private readonly cells = new Map<string, Segment[]>();
  private readonly written: Box[] = [];
  /** How wide and high the piece is. */
  readonly sizeMm: Vec2;

  constructor(
    readonly outline: readonly Vec2[],
    lines: readonly Shape[],
    private readonly breaks: Breaks,
    /** Holes and openings: words do not stand in what is cut out. */
    private readonly open: readonly (readonly Vec2[])[],
  ) {
    const b = boundsOf([...outline]);
    this.sizeMm = { x: b.maxX - b.minX, y: b.maxY - b.minY };
    for (const shape of lines) {
      if (shape.kind === 'text') continue;
      const points = shape.kind === 'circle' ? circle(shape.centre, shape.radiusMm) : shape.points;
      const closed = shape.kind === 'circle' || shape.closed;
      points.forEach((p, i) => {
        const q = points[i + 1] ?? (closed ? points[0] : undefined);
        if (q) this.draw([p, q]);
      });
    }
  }

  private draw(segment: Segment): void {
    const b = boundsOf([...segment]);
    for (let x = Math.floor(b.minX / CELL_MM); x <= Math.floor(b.maxX / CELL_MM); x++)
      for (let y = Math.floor(b.minY / CELL_MM); y <= Math.floor(b.maxY / CELL_MM); y++) {
        const key = `${x} ${y}`;
        const known = this.cells.get(key);
        if (known) known.push(segment);
        else this.cells.set(key, [segment]);
      }
  }

  private lineIn(box: Box): boolean {
    for (let x = Math.floor(box.minX / CELL_MM); x <= Math.floor(box.maxX / CELL_MM); x++)
      for (let y = Math.floor(box.minY / CELL_MM); y <= Math.floor(box.maxY / CELL_MM); y++)
        if (this.cells.get(`${x} ${y}`)?.some(([a, b]) => crosses(a, b, box))) return true;
    return false;
  }

  /** Whether words may stand in a box: on the piece, on one page, on no line, on no other words. */
  isFree(box: Box): boolean {
    const wide = padded(box);
    const { xs, ys } = this.breaks;
    if (xs.some((x) => wide.minX < x && x < wide.maxX) || ys.some((y) => wide.minY < y && y < wide.maxY))
      return false;
    if (this.written.some((w) => meet(w, wide))) return false;
    const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
    if (!contains(this.outline, middle) || this.open.some((ring) => contains(ring, middle))) return false;
    return !this.lineIn(wide);
  }

  write(boxes: readonly Box[]): void {
    this.written.push(...boxes);
  }

  /** A line from words to what they name: it crosses no other words. */
  leads(a: Vec2, b: Vec2): boolean {
    return !this.written.some((box) => crosses(a, b, box));
  }

  lead(segment: Segment): void {
    this.draw(segment);
  }
}

function circle(centre: Vec2, radius: number): Vec2[] {
  return Array.from({ length: 20 }, (_, i) => ({
    x: centre.x + radius * Math.cos((i * Math.PI) / 10),
    y: centre.y + radius * Math.sin((i * Math.PI) / 10),
  }));
}
