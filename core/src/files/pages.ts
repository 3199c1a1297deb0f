import { fitsSheet, laidOutline, packSheets } from '../cut';
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

/** A piece on a board: turned, then shifted. */
export interface Placed {
  item: SourcedPiece;
  turnRad: number;
  x: number;
  y: number;
  /** Its outline there. */
  outline: Vec2[];
}

/** A grid of pages taped together, and the pieces drawn on it. */
export interface Board {
  columns: number;
  rows: number;
  placed: Placed[];
  /** Which cells are printed, row by row from below. */
  printed: boolean[];
}

/** One page: a window on its board. */
export interface Page {
  board: Board;
  column: number;
  row: number;
  /** Lower left of the window in the board's millimetres, and its size there. */
  x: number;
  y: number;
  widthMm: number;
  heightMm: number;
  /** What lies in the window. */
  placed: Placed[];
}

/** What the next print is enlarged by, across and along the page, so that both bars measure true. */
export const printScale = ({ barMeasuredMm, barAlongMeasuredMm = barMeasuredMm }: CutPlan): Vec2 => ({
  x: 100 / barMeasuredMm,
  y: 100 / barAlongMeasuredMm,
});

/** Whether any of the piece lies in the window. */
function touches(outline: readonly Vec2[], x: number, y: number, w: number, h: number): boolean {
  const b = boundsOf(outline);
  if (b.maxX < x || b.minX > x + w || b.maxY < y || b.minY > y + h) return false;
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

/** What one page shows of a board, and how far it is to the next one. */
interface Window {
  widthMm: number;
  heightMm: number;
  stepX: number;
  stepY: number;
}

function windowOf(cut: CutPlan): Window {
  const { widthMm, heightMm } = paper[cut.page];
  const scale = printScale(cut);
  const [w, h] = [
    (widthMm - 2 * PAGE_MARGIN_MM) / scale.x,
    (heightMm - 2 * PAGE_MARGIN_MM - FOOT_MM) / scale.y,
  ];
  return { widthMm: w, heightMm: h, stepX: w - cut.overlapMm, stepY: h - cut.overlapMm };
}

const place = (item: SourcedPiece, turnRad: number, x: number, y: number): Placed => ({
  item,
  turnRad,
  x,
  y,
  outline: laidOutline(item.piece.outline, { flipped: false, turnRad, x, y }),
});

/** A board for what is placed on it from its lower left, with the pages that show something. */
function boardOf(placed: Placed[], window: Window): Board {
  const tops = placed.map(({ outline }) => boundsOf(outline));
  const cells = (reach: number, size: number, step: number): number =>
    Math.max(1, Math.ceil((reach - size) / step + 1 - 1e-9));
  const columns = cells(Math.max(...tops.map((b) => b.maxX)), window.widthMm, window.stepX);
  const rows = cells(Math.max(...tops.map((b) => b.maxY)), window.heightMm, window.stepY);
  const printed = Array.from({ length: columns * rows }, (_, i) => {
    const [x, y] = [(i % columns) * window.stepX, Math.floor(i / columns) * window.stepY];
    return placed.some((p) => touches(p.outline, x, y, window.widthMm, window.heightMm));
  });
  return { columns, rows, placed, printed };
}

const count = (boards: readonly Board[]): number =>
  boards.reduce((sum, b) => sum + b.printed.filter(Boolean).length, 0);

/** Left free round every piece. */
const BORDER_MM = 3;
/** Pages that a board twice as long as wide may cost less than a square one, halved. */
const LONG = 0.2;
/** Boards this many pages wide are tried. */
const WIDTHS = [1, 2, 3, 4, 5, 6];

/** Every piece alone on as many pages as it needs, in the middle of them. */
function apart(items: readonly SourcedPiece[], window: Window): Board[] {
  return items.map((item) => {
    const b = boundsOf(item.piece.outline);
    const free = (size: number, shown: number, step: number): number => {
      const cells = Math.max(1, Math.ceil((size + 2 * BORDER_MM - shown) / step + 1));
      return ((cells - 1) * step + shown - size) / 2;
    };
    const x = free(b.maxX - b.minX, window.widthMm, window.stepX) - b.minX;
    const y = free(b.maxY - b.minY, window.heightMm, window.stepY) - b.minY;
    return boardOf([place(item, 0, x, y)], window);
  });
}

/** Pieces laid together on boards so many pages wide, as on sheets of foam; undefined when one is too wide. */
function together(
  items: readonly SourcedPiece[],
  window: Window,
  columns: number,
  rows = items.length * 12,
): Board[] | undefined {
  const packed = packSheets(
    items.map(({ piece }, i) => ({ partId: String(i), piece, flipped: false })),
    {
      foamId: '',
      nominalMm: 0,
      widthMm: (columns - 1) * window.stepX + window.widthMm,
      heightMm: (rows - 1) * window.stepY + window.heightMm,
    },
    BORDER_MM,
  );
  if (packed.tooBig.length > 0) return undefined;
  return packed.sheets.map(({ laid }) =>
    boardOf(
      laid.map((l) => place(items[Number(l.partId)]!, l.turnRad, l.x, l.y)),
      window,
    ),
  );
}

/** The boards of a plan: of all ways to lay the pieces together, the one that takes the fewest pages, or nearly. */
function boardsOf(items: readonly SourcedPiece[], cut: CutPlan, window: Window): Board[] {
  const alone = apart(items, window);
  if (cut.pagePlan === 'apart') return alone;
  const fits = (p: SourcedPiece): boolean => fitsSheet(p.piece.outline, window, BORDER_MM);
  const [small, large] = [items.filter(fits), items.filter((p) => !fits(p))];
  // Small pieces in a page of their own need no tape: that is kept when it costs no page.
  const loose = small.length > 0 ? (together(small, window, 1, 1) ?? []) : [];
  const ways = WIDTHS.flatMap((columns) => {
    const all = together(items, window, columns);
    const big = large.length > 0 ? together(large, window, columns) : [];
    return [...(big ? [[...big, ...loose]] : []), ...(all ? [all] : [])];
  });
  // A long strip is hard to find one's way on: a squarer board may cost a page.
  const effort = (way: readonly Board[]): number =>
    count(way) +
    Math.max(...way.map((b) => (LONG * Math.max(b.columns, b.rows)) / Math.min(b.columns, b.rows)));
  return [...ways, alone].reduce((best, way) => (effort(way) < effort(best) ? way : best));
}

/** Pages needed for every piece, each overlapping its neighbours; a page that shows nothing is left out. */
export function planPages(items: readonly SourcedPiece[], cut: CutPlan): Page[] {
  if (items.length === 0) return [];
  const window = windowOf(cut);
  const { widthMm, heightMm } = window;
  return boardsOf(items, cut, window).flatMap((board) =>
    board.printed.flatMap((printed, i): Page[] => {
      if (!printed) return [];
      const [column, row] = [i % board.columns, Math.floor(i / board.columns)];
      const [x, y] = [column * window.stepX, row * window.stepY];
      const placed = board.placed.filter((p) => touches(p.outline, x, y, widthMm, heightMm));
      return [{ board, column, row, x, y, widthMm, heightMm, placed }];
    }),
  );
}
