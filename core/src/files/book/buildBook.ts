import { type MeasureKey, measureInfo } from '../../body';
import { laidOutline } from '../../cut';
import type { BuildDoc } from '../../document';
import { cautionNames, cautions, catalogue, catalogueWith } from '../../materials';
import { cutPieces, featureName } from '../../parts';
import { printedPieces, sourcedPieces } from '../../pattern';
import { type Step, stepTime } from '../../plan';
import type { Report } from '../../report';
import { finishedPicture, stepPicture } from '../../stepPicture';
import { byId, counted, inUnit, type LengthUnit, printLength, trimNumber } from '../../units';
import { type Drawing, partPicture } from '../../view';
import { eventCard } from '../eventCard';
import type { FontSource } from '../pdf/fonts';
import { wiringRows } from '../wiringRows';
import {
  type Book,
  draw,
  head,
  leftMm,
  need,
  nextPage,
  picture,
  roomMm,
  rule,
  say,
  startBook,
  tickBox,
} from './page';

/** What a book is made from. */
interface BookOf {
  doc: BuildDoc;
  report: Report;
  unit: LengthUnit;
}

/** Sizes of letters: of what is read at the bench, and of lists. */
const READ_MM = 3.1;
const LIST_MM = 2.5;

/** The finished thing, whom it is for and when, and what it comes to. */
async function cover(book: Book, { doc, report }: BookOf): Promise<void> {
  const { totals } = report;
  book.y -= 6;
  say(book, doc.name, 9);
  say(book, `for ${doc.wearer.name} · ready for ${doc.brief.eventDate}`, 4);
  const wide = roomMm(book);
  const high = book.heightMm - 110;
  const made = finishedPicture(report.body, report.parts, doc.parts, 900, Math.round((900 * high) / wide));
  book.y -= 4;
  book.y -= await picture(book, made, leftMm, book.y, wide);
  book.y -= 4;
  say(
    book,
    [
      `${trimNumber(totals.massG / 1000, 2)} kg`,
      counted(report.packed.sheets.length, 'sheet'),
      `${trimNumber(totals.workMin / 60, 0)} h of work`,
      ...(totals.lightHours === null ? [] : [`lit for ${trimNumber(totals.lightHours, 0)} h`]),
      `${counted(report.steps.length, 'step')}`,
    ].join(' · '),
    3.4,
  );
  say(
    book,
    'Minors work with an adult. Knives, heat, solvents and cells: the caution stands at the step where it matters; local rules and those of the event come first.',
    LIST_MM,
  );
}

function measures(book: Book, { doc, unit }: BookOf): void {
  nextPage(book);
  head(book, 'Measures');
  if (doc.wearer.measures.length === 0) say(book, 'None taken: a typical adult, est.', READ_MM);
  for (const { key, valueMm } of doc.wearer.measures)
    say(book, `${measureInfo(key as MeasureKey).label}: ${printLength(valueMm, unit)}`, READ_MM);
  say(book, `Clothes under it: ${printLength(doc.wearer.underLayerMm, unit)}`, READ_MM);
}

async function parts(book: Book, { doc, report }: BookOf): Promise<void> {
  head(book, 'Parts');
  const [wide, high] = [46, 34];
  for (const made of report.parts) {
    need(book, high + 3);
    const top = book.y;
    const small = partPicture(made, byId(doc.parts, made.id)?.scheme, 276, 204);
    await picture(book, small, leftMm, top, wide);
    const side = { x: leftMm + wide + 5, wideMm: roomMm(book) - wide - 5, keep: true };
    say(
      book,
      `${report.letters[made.id] ?? ''} ${made.name}${made.copies > 1 ? `, ${made.copies} of them` : ''}`,
      3.6,
      side,
    );
    say(
      book,
      `${trimNumber(made.totalG, 0)} g each; ${made.foam.name}, ${trimNumber(made.foam.thicknessMm.value, 1)} mm`,
      LIST_MM,
      side,
    );
    say(
      book,
      made.reused
        ? `there already, ${trimNumber(made.reused.years)} years old: nothing to cut`
        : `${counted(
            cutPieces(made).reduce((n, p) => n + p.quantity, 0),
            'piece',
          )} to cut${made.printing ? `, ${counted(made.printing.pieces, 'piece')} to print` : ''}`,
      LIST_MM,
      side,
    );
    book.y = top - high - 3;
  }
}

/** What was written down of details, by part. */
const notesOf = ({ parts: all }: BuildDoc): string[] =>
  all.flatMap(({ name, features }) =>
    features
      .filter((f) => f.note !== undefined || f.picture !== undefined)
      .map((f) => {
        const photo = f.picture === undefined ? '' : ' (photograph kept with the build)';
        return `${name}, ${featureName(f, features).toLowerCase()}: ${f.note ?? ''}${photo}`;
      }),
  );

function notes(book: Book, { doc }: BookOf): void {
  const all = notesOf(doc);
  if (all.length === 0) return;
  head(book, 'Notes');
  for (const note of all) {
    need(book, 8);
    say(book, note, READ_MM);
  }
}

/** A sheet with what is cut from it. */
function sheetDrawing(report: Report, index: number): Drawing {
  const sheet = report.packed.sheets[index]!;
  const known = sourcedPieces(report);
  const { widthMm: width, heightMm: height } = sheet;
  const up = ({ x, y }: { x: number; y: number }) => ({ x, y: height - y });
  const drawing: Drawing = {
    width,
    height,
    regions: [
      {
        look: 'there',
        rings: [
          [
            { x: 0, y: 0 },
            { x: width, y: 0 },
            { x: width, y: height },
            { x: 0, y: height },
          ],
        ],
      },
    ],
    lines: [],
    words: [],
  };
  for (const laid of sheet.laid) {
    const piece = byId(byId(report.parts, laid.partId)?.pieces ?? [], laid.pieceId);
    if (!piece) continue;
    const outline = piece.outline.flatMap((p) => laidOutline([p], laid)).map(up);
    drawing.regions.push({ look: 'work', rings: [outline] });
    const code = known.find((k) => k.piece === piece)?.source.code;
    const middle = outline.reduce(
      (m, p) => ({ x: m.x + p.x / outline.length, y: m.y + p.y / outline.length }),
      {
        x: 0,
        y: 0,
      },
    );
    if (code) drawing.words.push({ at: middle, text: code, look: 'work' });
  }
  return drawing;
}

function sheets(book: Book, { doc, report, unit }: BookOf): void {
  if (report.packed.sheets.length === 0) return;
  nextPage(book);
  head(book, 'Sheets');
  report.packed.sheets.forEach((sheet, i) => {
    need(book, 82);
    const name = byId(catalogueWith(catalogue, doc.foams).foams, sheet.foamId)?.name ?? sheet.foamId;
    say(
      book,
      `Sheet ${i + 1}: ${sheet.nominalMm} mm ${name}, ${printLength(sheet.widthMm, unit)} × ${printLength(sheet.heightMm, unit)}`,
      READ_MM,
    );
    book.y -= 2;
    book.y -= draw(book, sheetDrawing(report, i), leftMm, book.y, roomMm(book), 68) + 4;
  });
}

/** Pictures that show the same need not be drawn twice. */
const keyOf = ({ about, partId, partIds, featureIds }: Step): string =>
  [about, partIds?.[0] ?? partId, ...(featureIds ?? [])].join(' ');

/** Every step with its picture, two to a page: what, how long, what must be first, with what care, and a box to tick. */
function steps(book: Book, { report, unit }: BookOf): void {
  const known = new Map<string, Drawing>();
  report.steps.forEach((step, i) => {
    const second = i % 2 === 1;
    if (!second) nextPage(book);
    const half = (book.heightMm - 2 * leftMm) / 2;
    const top = book.heightMm - leftMm - (second ? half + 4 : 0);
    book.y = top;
    if (second) rule(book);
    tickBox(book, leftMm, book.y - 7, 5);
    say(book, `${i + 1}. ${inUnit(step.title, unit)}`, 3.8, {
      x: leftMm + 8,
      wideMm: roomMm(book) - 8,
      keep: true,
    });
    book.y -= 1;
    const drawing = known.get(keyOf(step)) ?? stepPicture(step, report);
    known.set(keyOf(step), drawing);
    const [wide, high] = [106, 88];
    draw(book, drawing, leftMm, book.y, wide, high);
    const side = { x: leftMm + wide + 4, wideMm: roomMm(book) - wide - 4, keep: true };
    const words: [string, number][] = [
      [inUnit(step.detail, unit), READ_MM],
      [stepTime(step), LIST_MM],
      ...(step.gate ? [[`Gate: ${inUnit(step.gate, unit)}`, LIST_MM] as [string, number]] : []),
      ...step.cautions.map((c): [string, number] => [`Care, ${cautionNames[c]}: ${cautions[c]}`, 2.1]),
    ];
    // What does not fit beside the picture is in smaller letters.
    const lines = (mm: number): number =>
      words.reduce(
        (n, [text, size]) =>
          n + Math.ceil((text.length * size * mm * 0.6) / side.wideMm + 0.6) * size * mm * 1.55 + 1,
        0,
      );
    const least = [1, 0.9, 0.8, 0.7].find((s) => lines(s) <= half - 22) ?? 0.62;
    for (const [text, size] of words) {
      say(book, text, size * least, side);
      book.y -= 1;
    }
  });
}

/** Lists: the wiring, what is bought, what is packed, the day. */
function lists(book: Book, { doc, report, unit }: BookOf): void {
  const rows = wiringRows(report);
  nextPage(book);
  if (rows.length > 0) {
    head(book, 'Wiring');
    for (const { circuit, what, where, value } of rows)
      say(book, `${circuit} · ${what}: ${where}${value ? ` · ${value}` : ''}`, LIST_MM);
  }
  head(book, 'Shopping');
  for (const line of report.cost.filter((l) => l.need > l.have)) {
    need(book, 5);
    tickBox(book, leftMm, book.y - 3.9, 2.8);
    say(
      book,
      `${line.what}: ${trimNumber(line.need - line.have, 2)} ${line.unit}, ${trimNumber(line.total, 2)} ${doc.brief.currency}`,
      LIST_MM,
      { x: leftMm + 5, wideMm: roomMm(book) - 5 },
    );
  }
  head(book, 'Packing');
  for (const part of report.parts) {
    const [a, b, c] = part.packed.sidesMm;
    need(book, 5);
    tickBox(book, leftMm, book.y - 3.9, 2.8);
    say(
      book,
      `${part.name}${part.copies > 1 ? `, ${part.copies} of them` : ''}: ${part.packed.how}, ${[a, b, c].map((v) => printLength(v, unit, 0)).join(' × ')}`,
      LIST_MM,
      { x: leftMm + 5, wideMm: roomMm(book) - 5 },
    );
  }
  nextPage(book);
  head(book, 'The day');
  for (const section of eventCard(doc, report)) {
    need(book, 12);
    say(book, section.title, 3.2);
    for (const line of section.lines) say(book, line, LIST_MM);
    book.y -= 2;
  }
}

/** The whole plan as one book: the finished thing, measures, parts, notes, sheets, every step with its picture, wiring, shopping, packing and the day. */
export async function buildBook(of: BookOf, font: FontSource): Promise<Uint8Array> {
  const { doc, report } = of;
  const words = [
    doc.name,
    doc.wearer.name,
    ...report.parts.map((p) => p.name),
    ...report.steps.flatMap((s) => [s.title, s.detail]),
    ...notesOf(doc),
    ...printedPieces(report).map((p) => p.piece.name),
    ...report.circuits.map((c) => c.name),
  ].join(' ');
  const book = await startBook(`${doc.name}: build book`, words, doc.cut, font);
  await cover(book, of);
  measures(book, of);
  await parts(book, of);
  notes(book, of);
  sheets(book, of);
  steps(book, of);
  lists(book, of);
  return book.pdf.save();
}
