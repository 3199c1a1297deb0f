import type { BuildDoc } from '../../document';
import { PAGE_MARGIN_MM, paper } from '../../pattern';
import { dryFit, type Report } from '../../report';
import { type LengthUnit, printLength } from '../../units';
import { startPdf } from './startPdf';
import type { FontSource } from './fonts';
import { type Pen, PT_PER_MM, stroke, write } from './pen';
import { wrapped } from './wrapped';

const LINE_MM = 4.8;
const WORDS_MM = 2.5;
/** About so wide is a letter of that height, mm. */
const LETTER_MM = 1.45;
const BOX_MM = { wide: 24, high: 6.5 };

const HOW =
  'Cut out the paper, close its seams and darts with tape from outside, and try on in this order, over what is worn underneath. Write what you read; typed in under Make, the pieces follow.';

/** A card to try on in paper by: parts in the order of putting on, what to read, what is planned, and a box to write in. */
export async function dryFitCard(
  doc: BuildDoc,
  report: Report,
  unit: LengthUnit,
  font: FontSource,
): Promise<Uint8Array> {
  const parts = dryFit(doc, report);
  const words = parts.flatMap((p) => [p.name, p.how, ...p.rows.flatMap((r) => [r.what, r.changes])]);
  const { pdf, fonts } = await startPdf(
    `${doc.name}: trying on in paper`,
    [doc.name, HOW, ...words].join(' '),
    font,
  );
  const size = paper[doc.cut.page];
  const left = PAGE_MARGIN_MM + 2;
  const roomMm = size.widthMm - 2 * left;
  const newPen = (): Pen => ({
    page: pdf.addPage([size.widthMm * PT_PER_MM, size.heightMm * PT_PER_MM]),
    fonts,
    pt: { x: PT_PER_MM, y: PT_PER_MM },
  });
  let pen = newPen();
  let y = size.heightMm - 18;
  const need = (mm: number): void => {
    if (y - mm > PAGE_MARGIN_MM) return;
    pen = newPen();
    y = size.heightMm - 18;
  };
  write(pen, `${doc.name.slice(0, 46)}: trying on in paper`, { x: left, y }, 5);
  for (const line of wrapped(HOW, Math.floor(roomMm / LETTER_MM)))
    write(pen, line, { x: left, y: (y -= LINE_MM) }, WORDS_MM);
  for (const [i, part] of parts.entries()) {
    need(16 + part.rows.length * 12);
    y -= 4;
    write(pen, `${i + 1}. ${part.name.slice(0, 60)}: ${part.how}`, { x: left, y: (y -= LINE_MM) }, 3.2);
    for (const row of part.rows) {
      need(13);
      const lines = wrapped(row.what, Math.floor((roomMm - 62) / LETTER_MM));
      const top = y - 2;
      lines.forEach((line) => write(pen, line, { x: left + 4, y: (y -= LINE_MM) }, WORDS_MM));
      write(pen, `Then ${row.changes}.`.slice(0, 90), { x: left + 4, y: (y -= LINE_MM - 0.6) }, 2.1);
      write(pen, printLength(row.plannedMm, unit), { x: size.widthMm - left - 56, y: top - 4.4 }, WORDS_MM);
      const x = size.widthMm - left - BOX_MM.wide;
      stroke(
        pen,
        [
          { x, y: top },
          { x: x + BOX_MM.wide, y: top },
          { x: x + BOX_MM.wide, y: top - BOX_MM.high },
          { x, y: top - BOX_MM.high },
        ],
        true,
        'notch',
      );
    }
  }
  return pdf.save();
}
