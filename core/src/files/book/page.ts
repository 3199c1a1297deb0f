import { PDFDocument, type PDFFont, rgb } from '@cantoo/pdf-lib';
import type { CutPlan } from '../../document';
import { PAGE_MARGIN_MM, paper } from '../../pattern';
import { type Drawing, inks, pathOf, type PixelPicture, pngOf, rgbOf } from '../../view';
import { startPdf } from '../pdf/startPdf';
import type { FontSource } from '../pdf/fonts';
import { grey, type Pen, PT_PER_MM, write } from '../pdf/pen';
import { wrapped } from '../pdf/wrapped';

/** A letter is about this much of its height wide, and a line this much high. */
const WIDE = 0.6;
const HIGH = 1.55;
const MARGIN_MM = PAGE_MARGIN_MM + 6;
const FOOT_MM = 8;

const ink = (hex: string) => {
  const [r, g, b] = rgbOf(hex.length === 4 ? `#${[...hex.slice(1)].map((c) => c + c).join('')}` : hex);
  return rgb(r / 255, g / 255, b / 255);
};

/** Pages that are written from top to bottom; measures in millimetres, y the height left above the lower edge. */
export interface Book {
  pdf: PDFDocument;
  fonts: PDFFont[];
  title: string;
  widthMm: number;
  heightMm: number;
  pen: Pen;
  y: number;
  pages: number;
}

/** The left margin, and how wide what is written may be. */
export const leftMm = MARGIN_MM;
export const roomMm = ({ widthMm }: Book): number => widthMm - 2 * MARGIN_MM;

/** A book without a page yet. */
export async function startBook(title: string, words: string, cut: CutPlan, font: FontSource): Promise<Book> {
  const { pdf, fonts } = await startPdf(title, words, font);
  const book: Book = {
    pdf,
    fonts,
    title,
    ...paper[cut.page],
    pen: undefined as unknown as Pen,
    y: 0,
    pages: 0,
  };
  nextPage(book);
  return book;
}

/** Begins a page, with its number and what it is of at its foot. */
export function nextPage(book: Book): void {
  book.pages += 1;
  book.pen = {
    page: book.pdf.addPage([book.widthMm * PT_PER_MM, book.heightMm * PT_PER_MM]),
    fonts: book.fonts,
    pt: { x: PT_PER_MM, y: PT_PER_MM },
  };
  write(book.pen, `${book.title} · page ${book.pages}`, { x: MARGIN_MM, y: PAGE_MARGIN_MM }, 2.2);
  book.y = book.heightMm - MARGIN_MM;
}

/** Goes on over the page where there is less room than this. */
export function need(book: Book, mm: number): void {
  if (book.y - mm < PAGE_MARGIN_MM + FOOT_MM) nextPage(book);
}

/** Words in lines, from a left edge on, as wide as they may be; gives how high they stand. */
export function say(
  book: Book,
  text: string,
  mm: number,
  { x = MARGIN_MM, wideMm = roomMm(book), keep = false } = {},
): number {
  const lines = wrapped(text, Math.max(8, Math.floor(wideMm / (mm * WIDE))));
  if (!keep) need(book, mm * HIGH * Math.min(3, lines.length));
  const from = book.y;
  for (const line of lines) {
    if (!keep) need(book, mm * HIGH);
    book.y -= mm * HIGH;
    write(book.pen, line, { x, y: book.y }, mm);
  }
  return from - book.y;
}

/** A heading, kept with what follows it. */
export function head(book: Book, text: string): void {
  need(book, 30);
  book.y -= 4;
  say(book, text, 4.6);
  rule(book);
  book.y -= 2;
}

/** A hairline across. */
export function rule(book: Book): void {
  book.y -= 1.6;
  book.pen.page.drawLine({
    start: { x: MARGIN_MM * PT_PER_MM, y: book.y * PT_PER_MM },
    end: { x: (book.widthMm - MARGIN_MM) * PT_PER_MM, y: book.y * PT_PER_MM },
    thickness: 0.4,
    color: grey,
  });
}

/** A box to tick. */
export function tickBox({ pen }: Book, x: number, y: number, mm: number): void {
  pen.page.drawRectangle({
    x: x * PT_PER_MM,
    y: y * PT_PER_MM,
    width: mm * PT_PER_MM,
    height: mm * PT_PER_MM,
    borderColor: rgb(0, 0, 0),
    borderWidth: 0.9,
  });
}

/** A line drawing with its upper left corner at a spot, as wide and high as it may be; gives its height. */
export function draw(
  { pen }: Book,
  drawing: Drawing,
  x: number,
  top: number,
  wideMm: number,
  highMm: number,
): number {
  const scale = Math.min(wideMm / drawing.width, highMm / drawing.height);
  const at = { x: x * PT_PER_MM, y: top * PT_PER_MM, scale: scale * PT_PER_MM };
  const width = (w: number): number => Math.max(0.3, w * scale * PT_PER_MM);
  for (const { look, rings } of drawing.regions)
    pen.page.drawSvgPath(rings.map((r) => pathOf(r, true)).join(''), {
      ...at,
      color: ink(inks[look].fill),
      borderColor: ink(inks[look].stroke),
      borderWidth: width(inks[look].width) / at.scale,
    });
  for (const { look, runs, dashed } of drawing.lines)
    pen.page.drawSvgPath(runs.map((r) => pathOf(r, false)).join(''), {
      ...at,
      borderColor: ink(inks[look].stroke),
      borderWidth: width(inks[look].width) / at.scale,
      ...(dashed && { borderDashArray: [3, 3] }),
    });
  for (const { at: spot, text } of drawing.words)
    write(
      pen,
      text,
      { x: x + spot.x * scale, y: top - spot.y * scale - 0.8 },
      Math.min(2.6, Math.max(1.7, 9 * scale)),
      { centred: true },
    );
  return drawing.height * scale;
}

/** A picture of pixels with its upper left corner at a spot. */
export async function picture(
  { pdf, pen }: Book,
  made: PixelPicture,
  x: number,
  top: number,
  wideMm: number,
): Promise<number> {
  const image = await pdf.embedPng(pngOf(made));
  const highMm = (wideMm * made.height) / made.width;
  pen.page.drawImage(image, {
    x: x * PT_PER_MM,
    y: (top - highMm) * PT_PER_MM,
    width: wideMm * PT_PER_MM,
    height: highMm * PT_PER_MM,
  });
  return highMm;
}
