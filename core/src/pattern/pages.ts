import { itemAt } from '../units';
import { fitsSheet, lyingTurn, packSheets } from '../cut';
import type { CutPlan } from '../document';
import { boundsOf, rotate2, type Vec2 } from '../geometry';
import { type Board, notesBox, type Page, type Placed, shows, windowOf, type Window } from './board';
import { drawnPiece, type SourcedPiece } from './drawing';
import { type Notes, notesOf } from './lettering/notes';
import { wordsKey } from './wordsKey';

/** A piece turned to lie in the least box, the words it has no room for, and the box both take. */
interface Ready {
  item: SourcedPiece;
  turnRad: number;
  /** Where it goes within its box once turned. */
  shift: Vec2;
  notes: Notes;
  box: Vec2[];
}

const made = new WeakMap<readonly Vec2[], { words: string; ready: Ready }>();

/** Made once for an outline and what is written on it: pages are planned more often than pieces change. */
function ready(item: SourcedPiece): Ready {
  const { piece } = item;
  const words = wordsKey(item);
  const known = made.get(piece.outline);
  if (known?.words === words) return { ...known.ready, item };
  const turnRad = lyingTurn(piece.outline);
  const turned = (p: Vec2): Vec2 => rotate2(p, turnRad);
  const b = boundsOf(piece.outline.map(turned));
  const notes = notesOf(drawnPiece(item, turned).beside, b.maxX - b.minX);
  const [w, h] = [Math.max(b.maxX - b.minX, notes.widthMm), b.maxY - b.minY + notes.heightMm];
  const fresh: Ready = {
    item,
    turnRad,
    shift: { x: -b.minX, y: notes.heightMm - b.minY },
    notes,
    box: [
      { x: 0, y: 0 },
      { x: w, y: 0 },
      { x: w, y: h },
      { x: 0, y: h },
    ],
  };
  made.set(piece.outline, { words, ready: fresh });
  return fresh;
}

/** A piece with its notes, its box turned and shifted. */
function place({ item, turnRad: own, shift, notes }: Ready, turnRad: number, x: number, y: number): Placed {
  const s = rotate2(shift, turnRad);
  const at = { turnRad: own + turnRad, x: x + s.x, y: y + s.y };
  const corner = { x, y };
  return {
    item,
    ...at,
    outline: item.piece.outline.map((p) => {
      const q = rotate2(p, at.turnRad);
      return { x: q.x + at.x, y: q.y + at.y };
    }),
    ...(notes.lines.length > 0 && { notes: { notes, corner, turnRad } }),
  };
}

/** A board for what is placed on it from its lower left, with the pages that show something. */
function boardOf(placed: Placed[], window: Window): Board {
  const tops = placed.flatMap((p) => [boundsOf(p.outline), ...[notesBox(p) ?? []].flat()]);
  const cells = (reach: number, size: number, step: number): number =>
    Math.max(1, Math.ceil((reach - size) / step + 1 - 1e-9));
  const columns = cells(Math.max(...tops.map((b) => b.maxX)), window.widthMm, window.stepX);
  const rows = cells(Math.max(...tops.map((b) => b.maxY)), window.heightMm, window.stepY);
  const printed = Array.from({ length: columns * rows }, (_, i) => {
    const [x, y] = [(i % columns) * window.stepX, Math.floor(i / columns) * window.stepY];
    return placed.some((p) => shows(p, x, y, window.widthMm, window.heightMm));
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

/** A box as it was laid, lying or standing; upside down it lies as well the right way up. */
function standing(item: Ready, laid: { turnRad: number; x: number; y: number }): Placed {
  const turned = (by: number): { x: number; y: number } => {
    const b = boundsOf(item.box.map((p) => rotate2(p, by)));
    return { x: b.minX, y: b.minY };
  };
  const now = turned(laid.turnRad);
  const upright = Math.abs(Math.sin(laid.turnRad)) < 0.5;
  const turnRad = upright ? 0 : Math.PI / 2;
  const then = turned(turnRad);
  return place(item, turnRad, laid.x + now.x - then.x, laid.y + now.y - then.y);
}

/** Every piece alone on as many pages as it needs, in the middle of them. */
function apart(items: readonly Ready[], window: Window): Board[] {
  return items.map((item) => {
    const b = boundsOf(item.box);
    const free = (size: number, shown: number, step: number): number => {
      const cells = Math.max(1, Math.ceil((size + 2 * BORDER_MM - shown) / step + 1));
      return ((cells - 1) * step + shown - size) / 2;
    };
    return boardOf(
      [
        place(
          item,
          0,
          free(b.maxX, window.widthMm, window.stepX),
          free(b.maxY, window.heightMm, window.stepY),
        ),
      ],
      window,
    );
  });
}

/** Pieces laid together on boards so many pages wide, as on sheets of foam; undefined when one is too wide. */
function together(
  items: readonly Ready[],
  window: Window,
  columns: number,
  rows = items.length * 12,
): Board[] | undefined {
  const packed = packSheets(
    items.map(({ item, box }, i) => ({
      partId: String(i),
      piece: { ...item.piece, outline: box },
      flipped: false,
    })),
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
      laid.map((l) => standing(itemAt(items, Number(l.partId)), l)),
      window,
    ),
  );
}

/** The boards of a plan: of all ways to lay the pieces together, the one that takes the fewest pages, or nearly. */
function boardsOf(items: readonly Ready[], cut: CutPlan, window: Window): Board[] {
  const alone = apart(items, window);
  if (cut.pagePlan === 'apart') return alone;
  const fits = (p: Ready): boolean => fitsSheet(p.box, window, BORDER_MM);
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
  return boardsOf(items.map(ready), cut, window).flatMap((board) =>
    board.printed.flatMap((printed, i): Page[] => {
      if (!printed) return [];
      const [column, row] = [i % board.columns, Math.floor(i / board.columns)];
      const [x, y] = [column * window.stepX, row * window.stepY];
      const placed = board.placed.filter((p) => shows(p, x, y, widthMm, heightMm));
      return [{ board, column, row, x, y, widthMm, heightMm, placed }];
    }),
  );
}
