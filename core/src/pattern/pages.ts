import { fitsSheet, lyingTurn, packSheets } from '../cut';
import { boundsOf, contains, rotate2, type Vec2 } from '../geometry';
import type { CutPlan, PageSize } from '../document';
import { drawnPiece, type SourcedPiece } from './drawing';
import { beside, type Notes, notesOf } from './lettering/notes';
import { type Breaks, meet } from './lettering/surface';
import { wordsBox, wrapped } from './lettering/words';
import { moveShape, type Shape } from './shape';

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

/** Whether a window shows anything of a piece or of the words beside it. */
function shows(placed: Placed, x: number, y: number, w: number, h: number): boolean {
  const box = notesBox(placed);
  return (
    touches(placed.outline, x, y, w, h) ||
    (box !== undefined && meet(box, { minX: x, minY: y, maxX: x + w, maxY: y + h }))
  );
}

/** The box of what is written beside a piece. */
function notesBox({ notes }: Placed): { minX: number; minY: number; maxX: number; maxY: number } | undefined {
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

/** A piece turned to lie in the least box, the words it has no room for, and the box both take. */
interface Ready {
  item: SourcedPiece;
  turnRad: number;
  /** Where it goes within its box once turned. */
  shift: Vec2;
  notes: Notes;
  box: Vec2[];
}

/** What is written on a piece, apart from where: with its outline, all that lettering depends on. */
const wordsKey = ({ piece, source }: SourcedPiece): string =>
  [
    source.code,
    source.partName,
    source.unit,
    piece.name,
    piece.quantity,
    piece.flipped,
    piece.holes.length,
    ...piece.marks.map((m) => m.printed ?? m.text ?? m.kind),
  ].join();

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
      laid.map((l) => standing(items[Number(l.partId)]!, l)),
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

/** Where the pages of a board end within it: no words lie across. */
const breaksOf = ({ columns, rows }: Board, { widthMm, heightMm, stepX, stepY }: Window): Breaks => ({
  xs: Array.from({ length: columns - 1 }, (_, c) => [(c + 1) * stepX, c * stepX + widthMm]).flat(),
  ys: Array.from({ length: rows - 1 }, (_, r) => [(r + 1) * stepY, r * stepY + heightMm]).flat(),
});

/** Words that stand nowhere on a board, by the piece they belong to: they are listed at the front. */
export interface Unwritten {
  item: SourcedPiece;
  words: string[];
}

const left = new WeakMap<readonly Vec2[], Map<string, string[]>>();

/** Words a placed piece has no room for; remembered, as only ends of pages that cross the piece matter to it. */
function leftOf(placed: Placed, { xs, ys }: Breaks): string[] {
  const { item, turnRad, x, y, outline } = placed;
  const b = boundsOf(outline);
  const within = {
    xs: xs.filter((v) => v > b.minX && v < b.maxX),
    ys: ys.filter((v) => v > b.minY && v < b.maxY),
  };
  const key = [
    wordsKey(item),
    turnRad.toFixed(6),
    ...within.xs.map((v) => (v - x).toFixed(2)),
    '/',
    ...within.ys.map((v) => (v - y).toFixed(2)),
  ].join();
  const known = left.get(item.piece.outline) ?? new Map<string, string[]>();
  left.set(item.piece.outline, known);
  const found = known.get(key) ?? drawnPiece(item, placeOf(placed), within).beside;
  known.set(key, found);
  return found;
}

const placeOf =
  ({ turnRad, x, y }: Placed) =>
  (p: Vec2): Vec2 => {
    const q = rotate2(p, turnRad);
    return { x: q.x + x, y: q.y + y };
  };

/** The words of a board that stand nowhere on it. */
function unwrittenOn(board: Board, cut: CutPlan): Unwritten[] {
  const breaks = breaksOf(board, windowOf(cut));
  return board.placed.flatMap((placed): Unwritten[] => {
    const words = leftOf(placed, breaks);
    const written = words.length === 0 || (placed.notes && notesBeside(placed, words, breaks));
    return written ? [] : [{ item: placed.item, words }];
  });
}

/** Everything on a board as it is printed, in its millimetres. */
export function boardDrawing(
  board: Board,
  cut: CutPlan,
): { shapes: Map<Placed, Shape[]>; unwritten: Unwritten[] } {
  const breaks = breaksOf(board, windowOf(cut));
  const shapes = new Map(
    board.placed.map((placed): [Placed, Shape[]] => {
      const { shapes: own, beside: words } = drawnPiece(placed.item, placeOf(placed), breaks);
      const written = words.length > 0 && placed.notes ? notesBeside(placed, words, breaks) : undefined;
      return [placed, [...own, ...(written ?? [])]];
    }),
  );
  return { shapes, unwritten: unwrittenOn(board, cut) };
}

/** What is written beside a piece, where room was kept for it; nothing when that does not do here. */
function notesBeside(placed: Placed, left: readonly string[], { xs, ys }: Breaks): Shape[] | undefined {
  const { corner, turnRad, notes: kept } = placed.notes!;
  const notes = notesOf(left, kept.widthMm);
  const box = notesBox({ ...placed, notes: { notes, corner, turnRad } })!;
  if (notes.heightMm > kept.heightMm + 0.1) return undefined;
  if (xs.some((x) => box.minX < x && x < box.maxX) || ys.some((y) => box.minY < y && y < box.maxY))
    return undefined;
  const back = (p: Vec2): Vec2 => rotate2({ x: p.x - corner.x, y: p.y - corner.y }, -turnRad);
  const foot = { x: kept.widthMm / 2, y: kept.heightMm };
  const away = (p: Vec2): number => (p.x - foot.x) ** 2 + (p.y - foot.y) ** 2;
  const rim = placed.outline.map(back).reduce((best, p) => (away(p) < away(best) ? p : best));
  return beside(notes, { x: 0, y: 0 }, rim).map((s) =>
    moveShape(
      s,
      (p) => {
        const q = rotate2(p, turnRad);
        return { x: q.x + corner.x, y: q.y + corner.y };
      },
      turnRad,
    ),
  );
}

/** What of a board's drawing stands on a page: every line that may cross it, and words that lie on it whole. */
export const onPage = (shapes: readonly Shape[], { x, y, widthMm, heightMm }: Page): Shape[] =>
  shapes.filter((shape) => {
    if (shape.kind !== 'text') return true;
    const box = wordsBox({ ...shape, upwards: shape.turnRad !== undefined && shape.turnRad !== 0 });
    return box.minX >= x && box.maxX <= x + widthMm && box.minY >= y && box.maxY <= y + heightMm;
  });

/** Lines of the list of pieces at the front, below what stands above it; mm. */
export const COVER = { lineMm: 4.4, headMm: 62, mapsMm: 62 } as const;

/** How many pages the front takes for a list of so many lines. */
export function coverPages(lines: number, cut: CutPlan): number {
  const { heightMm } = paper[cut.page];
  const room = Math.floor((heightMm - 2 * PAGE_MARGIN_MM - COVER.headMm - COVER.mapsMm) / COVER.lineMm);
  return 1 + Math.max(0, Math.ceil((lines - room) / Math.floor((heightMm - 40) / COVER.lineMm)));
}

/** Words that stand nowhere on any board, in lines for the front. */
export const frontNotes = (unwritten: readonly Unwritten[], widthMm: number): string[] =>
  unwritten.flatMap(({ item, words }) =>
    wrapped(`${item.source.code}: ${words.join('; ')}`, NOTE_LINE_MM, widthMm),
  );

/** Height of those lines, mm. */
export const NOTE_LINE_MM = 2;

/** Room that lines at the front have across, mm. */
export const frontWidthMm = (cut: CutPlan): number =>
  (paper[cut.page].widthMm - 2 * PAGE_MARGIN_MM) / printScale(cut).x - 6;

/** Pages of the printed pattern, its front among them. */
export function pagesNeeded(items: readonly SourcedPiece[], cut: CutPlan): number {
  const pages = planPages(items, cut);
  const boards = [...new Set(pages.map((p) => p.board))];
  const notes = frontNotes(
    boards.flatMap((b) => unwrittenOn(b, cut)),
    frontWidthMm(cut),
  );
  return pages.length === 0 ? 0 : pages.length + coverPages(items.length + notes.length, cut);
}
