import type { CutPlan } from '../document';
import { boundsOf } from '../geometry';
import { windowOf } from './board';
import { unwrittenOn, type Unwritten } from './boardDrawing';
import type { SourcedPiece } from './drawing';
import { wrapped } from './lettering/words';
import { planPages } from './pages';
import { PAGE_MARGIN_MM, paper, printScale } from './paper';

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

/** Of pages that show something, so much is taken up by the boxes of the pieces; from the demo builds. */
const TAKEN_UP = 0.85;

/** About how many pages that will be, by the boxes of the pieces alone: for a first answer. */
export function pagesReckoned(items: readonly SourcedPiece[], cut: CutPlan): number {
  const { stepX, stepY } = windowOf(cut);
  const boxes = items.reduce((sum, { piece }) => {
    const { minX, minY, maxX, maxY } = boundsOf(piece.outline);
    return sum + (maxX - minX) * (maxY - minY);
  }, 0);
  return items.length === 0
    ? 0
    : Math.ceil(boxes / (stepX * stepY * TAKEN_UP)) + coverPages(items.length, cut);
}
