import type { CutPlan } from '../../document';
import {
  type Board,
  COVER,
  coverPages,
  type Page,
  PAGE_MARGIN_MM,
  paper,
  printScale,
  quantityText,
  type SourcedPiece,
  type Unwritten,
  fitted,
  frontNotes,
  frontWidthMm,
  NOTE_LINE_MM,
} from '../../pattern';
import { counted, inUnit, firstOf, findIn } from '../../units';
import { boardMap, correction } from './foot';
import { bar, type Pen, write } from './pen';

const words = (cut: CutPlan, pages: number): string[] => [
  `${counted(pages, 'page')} of ${cut.page}, at actual size. In the printer’s own window choose 100 %, never “fit to page”.`,
  'Measure both bars with a real ruler. If one is not 100 mm, type what it measured under Cut and print again.',
  `Tape neighbours by their crosses: pages overlap by ${cut.overlapMm} mm. ${firstOf(correction(cut)).toUpperCase()}${correction(cut).slice(1)}.`,
  'Cut pieces from the outer face up as drawn; “flipped” ones with the paper turned over. L and R are the wearer’s.',
];

/**
 * How to print, bars across and along, which page shows what, and every piece with its copies, foam and hands, and the
 * words it has no room for.
 * @returns how many pages that takes.
 */
export function cover(
  penOf: () => Pen,
  items: readonly SourcedPiece[],
  pages: readonly Page[],
  cut: CutPlan,
  title: string,
  unwritten: readonly Unwritten[],
): number {
  const noted = frontNotes(unwritten, frontWidthMm(cut));
  const before = coverPages(items.length + noted.length, cut);
  const scale = printScale(cut);
  const size = { width: paper[cut.page].widthMm / scale.x, height: paper[cut.page].heightMm / scale.y };
  const left = PAGE_MARGIN_MM / scale.x + 2;
  let pen = penOf();
  let y = size.height - 16;
  write(pen, title, { x: left, y }, 6);
  for (const line of words(cut, pages.length)) write(pen, line, { x: left, y: (y -= 6) }, 2.5);
  bar(pen, { x: left, y: y - 10 }, 100, '100 mm across');
  bar(pen, { x: left, y: y - 17 }, 101.6, '4 in across');
  bar(pen, { x: size.width - 16, y: y - 100 }, 100, '100 mm along', true);
  y -= 24;
  const first = before + 1;
  const boards = [...new Set(pages.map((p) => p.board))];
  const columns = Math.max(1, Math.ceil(Math.sqrt(boards.length * 1.6)));
  const rows = Math.ceil(boards.length / columns);
  const [cellW, cellH] = [(size.width - 50) / columns, (COVER.mapsMm - 4) / rows];
  boards.forEach((board: Board, i) => {
    const numbers = new Map(
      pages.flatMap((p, k) =>
        p.board === board ? [[p.row * board.columns + p.column, first + k] as const] : [],
      ),
    );
    boardMap(
      pen,
      board,
      findIn(pages, (p) => p.board === board),
      cut,
      {
        x: left + (i % columns) * cellW,
        y: y - (Math.floor(i / columns) + 1) * cellH + 2,
        widthMm: cellW - 3,
        heightMm: cellH - 3,
      },
      { numbers },
    );
  });
  y -= COVER.mapsMm + 4;
  const room = (): void => {
    if (y >= 14) return;
    pen = penOf();
    y = size.height - 20;
  };
  items.forEach((item) => {
    room();
    const { piece, source } = item;
    const on = pages.flatMap((p, k) => (p.placed.some((x) => x.item === item) ? [first + k] : []));
    const cell = (text: string, from: number, to: number): void => {
      const words = fitted(text, 2.4, to - from - 2);
      write(pen, words.text, { x: left + from, y }, words.heightMm);
    };
    const said = (words: string): string => inUnit(words, source.unit ?? 'mm');
    cell(`${source.code} · ${source.partName}: ${said(piece.name)}`, 0, 78);
    cell(`${said(source.foamName)} · ${quantityText(piece)}`, 78, 148);
    cell(`page ${on.join(', ')}`, 148, size.width - left - PAGE_MARGIN_MM);
    y -= COVER.lineMm;
  });
  for (const line of noted) {
    room();
    write(pen, line, { x: left, y }, NOTE_LINE_MM);
    y -= COVER.lineMm;
  }
  return before;
}
