import {
  PDFDocument,
  rgb,
  StandardFonts,
  type PDFFont,
  type PDFPage,
  pushGraphicsState,
  popGraphicsState,
  rectangle,
  clip,
  endPath,
} from '@cantoo/pdf-lib';
import type { CutPlan } from '../document';
import type { Vec2 } from '../geometry';
import { trimNumber } from '../units';
import {
  layers,
  lineStyle,
  pieceShapes,
  quantityText,
  type Layer,
  type Shape,
  type SourcedPiece,
} from './drawing';
import { FOOT_MM, PAGE_MARGIN_MM, paper, printScale, tilePages, type Page } from './pages';

/** PDF user space: 72 points to the inch (ISO 32000). */
const PT_PER_MM = 72 / 25.4;
const black = rgb(0, 0, 0);
const grey = rgb(0.55, 0.55, 0.55);

interface Pen {
  page: PDFPage;
  font: PDFFont;
  /** Points per drawn millimetre, scale correction included. */
  pt: number;
}

/** Replaces what the standard font cannot show. */
function printable(font: PDFFont, text: string): string {
  const known = new Set(font.getCharacterSet());
  return [...text].map((c) => (known.has(c.codePointAt(0)!) ? c : '?')).join('');
}

/** A line given in millimetres from the page's lower left, drawn in points. */
function stroke(
  { page, pt }: Pen,
  points: readonly Vec2[],
  closed: boolean,
  layer: Layer,
  color = black,
): void {
  const { widthMm, dashMm } = lineStyle[layer];
  const path = points
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${(p.x * pt).toFixed(3)} ${(-p.y * pt).toFixed(3)}`)
    .join('');
  page.drawSvgPath(`${path}${closed ? 'Z' : ''}`, {
    x: 0,
    y: 0,
    borderColor: color,
    borderWidth: widthMm * PT_PER_MM,
    ...(dashMm.length > 0 && { borderDashArray: dashMm.map((d) => d * PT_PER_MM) }),
  });
}

function write({ page, font, pt }: Pen, text: string, at: Vec2, heightMm: number, centred = false): void {
  const size = heightMm * PT_PER_MM * 1.25;
  const shown = printable(font, text);
  const back = centred ? font.widthOfTextAtSize(shown, size) / 2 : 0;
  page.drawText(shown, { x: at.x * pt - back, y: at.y * pt, size, font, color: black });
}

function drawShape(pen: Pen, shape: Shape, shift: Vec2): void {
  const move = (p: Vec2): Vec2 => ({ x: p.x + shift.x, y: p.y + shift.y });
  if (shape.kind === 'line') stroke(pen, shape.points.map(move), shape.closed, shape.layer);
  else if (shape.kind === 'text') write(pen, shape.text, move(shape.at), shape.heightMm, true);
  else {
    const c = move(shape.centre);
    pen.page.drawCircle({
      x: c.x * pen.pt,
      y: c.y * pen.pt,
      size: shape.radiusMm * pen.pt,
      borderColor: black,
      borderWidth: lineStyle.hole.widthMm * PT_PER_MM,
    });
  }
}

/** A check bar with end ticks and its length written over it. */
function bar(pen: Pen, x: number, y: number, lengthMm: number, label: string): void {
  stroke(
    pen,
    [
      { x, y },
      { x: x + lengthMm, y },
    ],
    false,
    'hole',
  );
  for (const end of [x, x + lengthMm])
    stroke(
      pen,
      [
        { x: end, y: y - 1.5 },
        { x: end, y: y + 1.5 },
      ],
      false,
      'hole',
    );
  write(pen, label, { x: x + lengthMm / 2, y: y + 1 }, 2.2, true);
}

function crosses(pen: Pen, window: Page, overlapMm: number): void {
  const arm = 4;
  const inset = overlapMm / 2;
  const left = PAGE_MARGIN_MM / printScaleOf(pen);
  const bottom = (PAGE_MARGIN_MM + FOOT_MM) / printScaleOf(pen);
  const xs = [inset, window.widthMm - inset].map((x) => x + left);
  const ys = [inset, window.heightMm - inset].map((y) => y + bottom);
  for (const x of xs) {
    for (const y of ys) {
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
}

const printScaleOf = (pen: Pen): number => pen.pt / PT_PER_MM;

/** Grid of the piece's pages with this one filled, and the piece drawn small over it. */
function pageMap(pen: Pen, window: Page, x: number, y: number, sizeMm: number, overlapMm: number): void {
  const stepX = window.widthMm - overlapMm;
  const stepY = window.heightMm - overlapMm;
  const scale = sizeMm / Math.max(window.columns * stepX, window.rows * stepY);
  for (let i = 0; i < window.columns * window.rows; i++) {
    const cell = {
      x: x + (i % window.columns) * stepX * scale,
      y: y + Math.floor(i / window.columns) * stepY * scale,
    };
    const here = i === window.row * window.columns + window.column;
    pen.page.drawRectangle({
      x: cell.x * pen.pt,
      y: cell.y * pen.pt,
      width: stepX * scale * pen.pt,
      height: stepY * scale * pen.pt,
      borderColor: grey,
      borderWidth: 0.5,
      ...(here && { color: rgb(0.85, 0.85, 0.85) }),
    });
  }
  const origin = { x: window.x - window.column * stepX, y: window.y - window.row * stepY };
  const small = window.item.piece.outline.map((p) => ({
    x: x + (p.x - origin.x) * scale,
    y: y + (p.y - origin.y) * scale,
  }));
  stroke(pen, small, true, 'hole');
}

function legend(pen: Pen, used: ReadonlySet<Layer>, x: number, top: number): void {
  const shown = layers.filter((layer) => layer !== 'text' && used.has(layer));
  shown.forEach((layer, i) => {
    const y = top - (i % 6) * 3.4;
    const left = x + Math.floor(i / 6) * 40;
    stroke(
      pen,
      [
        { x: left, y: y + 0.8 },
        { x: left + 9, y: y + 0.8 },
      ],
      false,
      layer,
    );
    write(pen, lineStyle[layer].meaning, { x: left + 11, y }, 1.9);
  });
}

function foot(
  pen: Pen,
  window: Page,
  index: number,
  total: number,
  cut: CutPlan,
  used: ReadonlySet<Layer>,
  title: string,
): void {
  const s = printScaleOf(pen);
  const left = PAGE_MARGIN_MM / s;
  const low = PAGE_MARGIN_MM / s;
  const { piece, source } = window.item;
  bar(pen, left + 1, low + 22, 100, '100 mm');
  bar(pen, left + 1, low + 15, 101.6, '4 in');
  const corrected =
    cut.barMeasuredMm === 100
      ? 'no scale correction'
      : `corrected × ${trimNumber(100 / cut.barMeasuredMm, 4)} (bar measured ${trimNumber(cut.barMeasuredMm)} mm)`;
  write(
    pen,
    `${title} · ${source.partName}: ${piece.name} · ${quantityText(piece)} · ${source.foamName}`,
    { x: left + 1, y: low + 8 },
    2.4,
  );
  write(
    pen,
    `page ${index + 1} of ${total} · column ${window.column + 1}, row ${window.row + 1} · print at 100 %, ${corrected}`,
    { x: left + 1, y: low + 3 },
    2.2,
  );
  legend(pen, used, left + 108, low + 25);
  pageMap(pen, window, left + 170, low + 2, 22, cut.overlapMm);
}

/** The pattern at actual size, tiled on the chosen paper. @returns PDF bytes. */
export async function patternPdf(
  items: readonly SourcedPiece[],
  cut: CutPlan,
  title: string,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Fomrik');
  pdf.setCreationDate(new Date(0));
  pdf.setModificationDate(new Date(0));
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const scale = printScale(cut);
  const pt = PT_PER_MM * scale;
  const pages = tilePages(items, cut);
  const size = paper[cut.page];
  pages.forEach((window, i) => {
    const page = pdf.addPage([size.widthMm * PT_PER_MM, size.heightMm * PT_PER_MM]);
    const pen: Pen = { page, font, pt };
    const left = PAGE_MARGIN_MM / scale;
    const bottom = (PAGE_MARGIN_MM + FOOT_MM) / scale;
    const shapes = pieceShapes(window.item.piece, window.item.source);
    page.pushOperators(
      pushGraphicsState(),
      rectangle(left * pt, bottom * pt, window.widthMm * pt, window.heightMm * pt),
      clip(),
      endPath(),
    );
    for (const shape of shapes) drawShape(pen, shape, { x: left - window.x, y: bottom - window.y });
    page.pushOperators(popGraphicsState());
    crosses(pen, window, cut.overlapMm);
    foot(pen, window, i, pages.length, cut, new Set(shapes.map((s) => s.layer)), title);
  });
  return pdf.save();
}
