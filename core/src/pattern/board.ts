import { itemAt } from '../units';
import type { CutPlan } from '../document';
import { boundsOf, contains, rotate2, type Vec2 } from '../geometry';
import type { SourcedPiece } from './drawing';
import type { Notes } from './lettering/notes';
import { meet } from './lettering/surface';
import { FOOT_MM, PAGE_MARGIN_MM, paper, printScale } from './paper';

/** A piece on a board: turned, then shifted. */
export interface Placed {
  item: SourcedPiece;
  turnRad: number;
  x: number;
  y: number;
  /** Its outline there. */
  outline: Vec2[];
  /** Room kept below it, or right of it where it stands, for words it has no room for: its corner there. */
  notes?: { notes: Notes; corner: Vec2; turnRad: number };
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

/** Whether any of the piece lies in the window. */
function touches(outline: readonly Vec2[], x: number, y: number, w: number, h: number): boolean {
  const b = boundsOf(outline);
  if (b.maxX < x || b.minX > x + w || b.maxY < y || b.minY > y + h) return false;
  const inside = (p: Vec2): boolean => p.x >= x && p.x <= x + w && p.y >= y && p.y <= y + h;
  if (outline.some(inside)) return true;
  for (let i = 0; i < outline.length; i++) {
    const a = itemAt(outline, i);
    const b = itemAt(outline, (i + 1) % outline.length);
    for (let s = 1; s < 20; s++)
      if (inside({ x: a.x + ((b.x - a.x) * s) / 20, y: a.y + ((b.y - a.y) * s) / 20 })) return true;
  }
  return contains(outline, { x: x + w / 2, y: y + h / 2 });
}

/** Whether a window shows anything of a piece or of the words beside it. */
export function shows(placed: Placed, x: number, y: number, w: number, h: number): boolean {
  const box = notesBox(placed);
  return (
    touches(placed.outline, x, y, w, h) ||
    (box !== undefined && meet(box, { minX: x, minY: y, maxX: x + w, maxY: y + h }))
  );
}

/** The box of what is written beside a piece. */
export function notesBox({
  notes,
}: Placed): { minX: number; minY: number; maxX: number; maxY: number } | undefined {
  if (!notes) return undefined;
  const { widthMm: w, heightMm: h } = notes.notes;
  return boundsOf(
    [
      { x: 0, y: 0 },
      { x: w, y: 0 },
      { x: w, y: h },
      { x: 0, y: h },
    ].map((p) => {
      const q = rotate2(p, notes.turnRad);
      return { x: q.x + notes.corner.x, y: q.y + notes.corner.y };
    }),
  );
}

/** What one page shows of a board, and how far it is to the next one. */
export interface Window {
  widthMm: number;
  heightMm: number;
  stepX: number;
  stepY: number;
}

export function windowOf(cut: CutPlan): Window {
  const { widthMm, heightMm } = paper[cut.page];
  const scale = printScale(cut);
  const [w, h] = [
    (widthMm - 2 * PAGE_MARGIN_MM) / scale.x,
    (heightMm - 2 * PAGE_MARGIN_MM - FOOT_MM) / scale.y,
  ];
  return { widthMm: w, heightMm: h, stepX: w - cut.overlapMm, stepY: h - cut.overlapMm };
}
