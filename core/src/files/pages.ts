import { boundsOf, contains, type Vec2 } from '../geometry';
import type { CutPlan, PageSize } from '../document';
import type { SourcedPiece } from './drawing';

/** Paper in millimetres: ISO 216 for A sizes, ANSI/ASME Y14.1 for Letter and Legal. */
export const paper: Record<PageSize, { widthMm: number; heightMm: number }> = {
  A4: { widthMm: 210, heightMm: 297 },
  A3: { widthMm: 297, heightMm: 420 },
  Letter: { widthMm: 215.9, heightMm: 279.4 },
  Legal: { widthMm: 215.9, heightMm: 355.6 },
};

/** Edge no home printer reaches, and the band at the foot for bars, map and legend. */
export const PAGE_MARGIN_MM = 8;
export const FOOT_MM = 34;

/** One page: a window on the plane of one piece. */
export interface Page {
  item: SourcedPiece;
  column: number;
  row: number;
  columns: number;
  rows: number;
  /** Lower left of the window in the piece's millimetres, and its size there. */
  x: number;
  y: number;
  widthMm: number;
  heightMm: number;
  /** Which cells of the grid are printed, row by row from below. */
  printed: boolean[];
}

/** What the next print is enlarged by so that the bar measures true. */
export const printScale = (cut: CutPlan): number => 100 / cut.barMeasuredMm;

/** Whether any of the piece lies in the window. */
function touches(outline: readonly Vec2[], x: number, y: number, w: number, h: number): boolean {
  const inside = (p: Vec2): boolean => p.x >= x && p.x <= x + w && p.y >= y && p.y <= y + h;
  if (outline.some(inside)) return true;
  for (let i = 0; i < outline.length; i++) {
    const a = outline[i]!;
    const b = outline[(i + 1) % outline.length]!;
    for (let s = 1; s < 20; s++)
      if (inside({ x: a.x + ((b.x - a.x) * s) / 20, y: a.y + ((b.y - a.y) * s) / 20 })) return true;
  }
  return contains(outline, { x: x + w / 2, y: y + h / 2 });
}

/** Windows needed for every piece, each page overlapping its neighbours; a window that shows nothing is left out. */
export function tilePages(items: readonly SourcedPiece[], cut: CutPlan): Page[] {
  const { widthMm, heightMm } = paper[cut.page];
  const scale = printScale(cut);
  const w = (widthMm - 2 * PAGE_MARGIN_MM) / scale;
  const h = (heightMm - 2 * PAGE_MARGIN_MM - FOOT_MM) / scale;
  const border = 3;
  return items.flatMap((item) => {
    const b = boundsOf(item.piece.outline);
    const count = (size: number, window: number): number =>
      Math.max(1, Math.ceil((size + 2 * border - cut.overlapMm) / (window - cut.overlapMm)));
    const columns = count(b.maxX - b.minX, w);
    const rows = count(b.maxY - b.minY, h);
    const x0 = (b.minX + b.maxX - (columns * (w - cut.overlapMm) + cut.overlapMm)) / 2;
    const y0 = (b.minY + b.maxY - (rows * (h - cut.overlapMm) + cut.overlapMm)) / 2;
    const cells = Array.from({ length: columns * rows }, (_, i) => {
      const column = i % columns;
      const row = Math.floor(i / columns);
      return { column, row, x: x0 + column * (w - cut.overlapMm), y: y0 + row * (h - cut.overlapMm) };
    });
    const printed = cells.map((c) => touches(item.piece.outline, c.x, c.y, w, h));
    return cells
      .filter((_, i) => printed[i])
      .map((c) => ({ item, ...c, columns, rows, widthMm: w, heightMm: h, printed }));
  });
}
