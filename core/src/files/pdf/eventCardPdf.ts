import type { BuildDoc } from '../../document';
import type { Report } from '../../report';
import { eventCard } from '../eventCard';
import { PAGE_MARGIN_MM, paper } from '../../pattern';
import { startPdf } from './startPdf';
import type { FontSource } from './fonts';
import { PT_PER_MM, type Pen, write } from './pen';
import { wrapped } from './wrapped';

const LARGEST_MM = 4;
const SMALLEST_MM = 1.9;
/** A letter is about this much of its height wide, and a line this much high. */
const WIDE = 0.57;
const HIGH = 1.5;

/** Everything for the day on one page, in letters as large as it lets them be. */
export async function eventCardPdf(doc: BuildDoc, report: Report, font: FontSource): Promise<Uint8Array> {
  const sections = eventCard(doc, report);
  const title = `${doc.name}, ${doc.brief.eventDate}`;
  const { pdf, fonts } = await startPdf(
    `${doc.name}: the day`,
    [title, ...sections.flatMap((s) => [s.title, ...s.lines])].join(' '),
    font,
  );
  const size = paper[doc.cut.page];
  const left = PAGE_MARGIN_MM + 4;
  const room = size.heightMm - 2 * PAGE_MARGIN_MM - 14;
  const layout = (mm: number) =>
    sections.map((s) => ({
      title: s.title,
      lines: s.lines.flatMap((l) => wrapped(l, Math.floor((size.widthMm - 2 * left) / (mm * WIDE)))),
    }));
  const highAt = (mm: number): number =>
    layout(mm).reduce((sum, s) => sum + (s.lines.length + 2) * mm * HIGH, 0);
  let mm = LARGEST_MM;
  while (mm > SMALLEST_MM && highAt(mm) > room) mm -= 0.05;
  const newPage = (): Pen => ({
    page: pdf.addPage([size.widthMm * PT_PER_MM, size.heightMm * PT_PER_MM]),
    fonts,
    pt: { x: PT_PER_MM, y: PT_PER_MM },
  });
  let pen = newPage();
  let y = size.heightMm - PAGE_MARGIN_MM - 8;
  write(pen, title, { x: left, y }, 5);
  const line = (text: string, high: number): void => {
    // Only a very large harness in the smallest letters goes on over the page.
    if (y - high * HIGH < PAGE_MARGIN_MM) {
      pen = newPage();
      y = size.heightMm - PAGE_MARGIN_MM;
    }
    write(pen, text, { x: left, y: (y -= high * HIGH) }, high);
  };
  for (const section of layout(mm)) {
    y -= mm * HIGH * 0.6;
    line(section.title, mm * 1.15);
    for (const text of section.lines) line(text, mm);
  }
  return pdf.save();
}
