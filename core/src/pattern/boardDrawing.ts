import type { CutPlan } from '../document';
import { boundsOf, rotate2, type Vec2 } from '../geometry';
import { type Board, notesBox, type Page, type Placed, windowOf, type Window } from './board';
import { drawnPiece, type SourcedPiece } from './drawing';
import { beside, notesOf } from './lettering/notes';
import type { Breaks } from './lettering/surface';
import { wordsBox } from './lettering/words';
import { moveShape, type Shape } from './shape';
import { wordsKey } from './wordsKey';

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
export function unwrittenOn(board: Board, cut: CutPlan): Unwritten[] {
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
