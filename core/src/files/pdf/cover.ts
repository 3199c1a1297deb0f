import type { CutPlan } from '../../document';
import { quantityText, type SourcedPiece } from '../drawing';
import { type Board, type Page, PAGE_MARGIN_MM, paper, printScale } from '../pages';
import { boardMap, correction } from './foot';
import { bar, type Pen, write } from './pen';

/** Lines of the list of pieces on one page, below what stands above it. */
const LINE_MM = 4.4;
const HEAD_MM = 62;
const MAPS_MM = 62;

const words = (cut: CutPlan, pages: number): string[] => [
  `${pages} pages of ${cut.page}, at actual size. In the printer’s own window choose 100 %, never “fit to page”.`,
  'Measure both bars with a real ruler. If one is not 100 mm, type what it measured under Cut and print again.',
  `Tape neighbours by their crosses: pages overlap by ${cut.overlapMm} mm. ${correction(cut)[0]!.toUpperCase()}${correction(cut).slice(1)}.`,
  'Cut pieces from the outer face up as drawn; “flipped” ones with the paper turned over. L and R are the wearer’s.',
];

/** How many pages the cover takes for so many pieces. */
export function coverPages(items: readonly SourcedPiece[], cut: CutPlan): number {
  const { heightMm } = paper[cut.page];
  const room = Math.floor((heightMm - 2 * PAGE_MARGIN_MM - HEAD_MM - MAPS_MM) / LINE_MM);
  return 1 + Math.max(0, Math.ceil((items.length - room) / Math.floor((heightMm - 40) / LINE_MM)));
}

/** How to print, bars across and along, which page shows what, and every piece with its copies, foam and hands. */
export function cover(
  penOf: () => Pen,
  items: readonly SourcedPiece[],
  pages: readonly Page[],
  cut: CutPlan,
  title: string,
): void {
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
  const first = coverPages(items, cut) + 1;
  const boards = [...new Set(pages.map((p) => p.board))];
  const columns = Math.max(1, Math.ceil(Math.sqrt(boards.length * 1.6)));
  const rows = Math.ceil(boards.length / columns);
  const [cellW, cellH] = [(size.width - 50) / columns, (MAPS_MM - 4) / rows];
  boards.forEach((board: Board, i) => {
    const numbers = new Map(
      pages.flatMap((p, k) =>
        p.board === board ? [[p.row * board.columns + p.column, first + k] as const] : [],
      ),
    );
    boardMap(
      pen,
      board,
      pages.find((p) => p.board === board)!,
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
  y -= MAPS_MM + 4;
  items.forEach((item) => {
    if (y < 14) {
      pen = penOf();
      y = size.height - 20;
    }
    const { piece, source } = item;
    const on = pages.flatMap((p, k) => (p.placed.some((x) => x.item === item) ? [first + k] : []));
    write(pen, `${source.code} · ${source.partName}: ${piece.name}`, { x: left, y }, 2.4);
    write(pen, `${source.foamName} · ${quantityText(piece)}`, { x: left + 62, y }, 2.4);
    write(pen, `page ${on.join(', ')}`, { x: left + 148, y }, 2.4);
    y -= LINE_MM;
  });
}
