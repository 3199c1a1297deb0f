import { getFrom } from '../../units';
import { clip, endPath, popGraphicsState, pushGraphicsState, rectangle } from '@cantoo/pdf-lib';
import type { CutPlan } from '../../document';
import type { Vec2 } from '../../geometry';
import {
  boardDrawing,
  FOOT_MM,
  onPage,
  moveShape,
  type Page,
  PAGE_MARGIN_MM,
  paper,
  planPages,
  printScale,
  type SourcedPiece,
} from '../../pattern';
import { cover } from './cover';
import { startPdf } from './startPdf';
import type { FontSource } from './fonts';
import { foot } from './foot';
import { drawShape, grey, type Pen, PT_PER_MM, stroke } from './pen';

/** Crosses in the overlap, where neighbouring pages are laid on each other. */
function crosses(pen: Pen, { widthMm, heightMm }: Page, overlapMm: number, corner: Vec2): void {
  const arm = 4;
  const inset = overlapMm / 2;
  for (const x of [inset, widthMm - inset].map((v) => v + corner.x))
    for (const y of [inset, heightMm - inset].map((v) => v + corner.y)) {
      stroke(
        pen,
        [
          { x: x - arm, y },
          { x: x + arm, y },
        ],
        false,
        'fold',
        grey,
      );
      stroke(
        pen,
        [
          { x, y: y - arm },
          { x, y: y + arm },
        ],
        false,
        'fold',
        grey,
      );
    }
}

/**
 * The pattern at actual size on the chosen paper: a first page that says how to print and what is where, then every
 * piece, sharing pages or each alone.
 * @param font where TrueType fonts come from; what is used of them goes into the file. @returns PDF bytes.
 */
export async function patternPdf(
  items: readonly SourcedPiece[],
  cut: CutPlan,
  title: string,
  font: FontSource,
): Promise<Uint8Array> {
  const words = items
    .flatMap(({ piece, source }) => [piece.name, source.partName])
    .concat(title)
    .join(' ');
  const { pdf, fonts } = await startPdf(title, words, font);
  const scale = printScale(cut);
  const pt = { x: PT_PER_MM * scale.x, y: PT_PER_MM * scale.y };
  const size = paper[cut.page];
  const newPen = (): Pen => ({
    page: pdf.addPage([size.widthMm * PT_PER_MM, size.heightMm * PT_PER_MM]),
    fonts,
    pt,
  });
  const pages = planPages(items, cut);
  const drawings = new Map([...new Set(pages.map((p) => p.board))].map((b) => [b, boardDrawing(b, cut)]));
  const unwritten = [...drawings.values()].flatMap((d) => d.unwritten);
  const before = cover(newPen, items, pages, cut, title, unwritten);
  const corner = { x: PAGE_MARGIN_MM / scale.x, y: (PAGE_MARGIN_MM + FOOT_MM) / scale.y };
  pages.forEach((window, i) => {
    const pen = newPen();
    const drawn = getFrom(drawings, window.board).shapes;
    const shapes = onPage(
      window.placed.flatMap((placed) => getFrom(drawn, placed)),
      window,
    ).map((shape) =>
      moveShape(shape, (p) => ({ x: p.x - window.x + corner.x, y: p.y - window.y + corner.y })),
    );
    pen.page.pushOperators(
      pushGraphicsState(),
      rectangle(corner.x * pt.x, corner.y * pt.y, window.widthMm * pt.x, window.heightMm * pt.y),
      clip(),
      endPath(),
    );
    for (const shape of shapes) drawShape(pen, shape);
    pen.page.pushOperators(popGraphicsState());
    crosses(pen, window, cut.overlapMm, corner);
    foot(pen, window, before + i + 1, before + pages.length, cut, new Set(shapes.map((s) => s.layer)), title);
  });
  return pdf.save();
}
