import Papa from 'papaparse';
import type { BuildDoc, LogEntry } from '../document';
import { effectAt } from '../light';
import type { Report } from '../report';
import { wiringRows } from './wiringRows';
import { boundsOf } from '../geometry';
import { inUnit, type LengthUnit, MM_PER_INCH, trimNumber } from '../units';
import { sourcedTemplates } from '../pattern';
import { cutThrough } from '../pattern';
import { withoutControls } from './text';
import { quantityText } from '../pattern';

/** RFC 4180, and cells a spreadsheet would run as formulas are defused. */
export const csv = (rows: Record<string, string | number>[]): string => {
  const plain = rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([key, cell]) => [
        key,
        typeof cell === 'string' ? withoutControls(cell) : cell,
      ]),
    ),
  );
  return `${Papa.unparse(plain, { escapeFormulae: true })}\r\n`;
};

/** Sizes in millimetres, or in inches and thousandths. */
export const sizeIn = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? trimNumber(mm) : trimNumber(mm / MM_PER_INCH, 3);

export function cutListCsv(report: Report, unit: LengthUnit = 'mm'): string {
  const [width, height] = [`width ${unit}`, `height ${unit}`];
  const sticks = report.sticks.flatMap(({ rod, sticks: all }) =>
    all.flatMap((stick, i) =>
      stick.cuts.map((cut) => ({
        code: '',
        part: cut.name,
        piece: `length ${cut.letter}, from stick ${i + 1}`,
        cut: 'saw 1',
        foam: rod.name,
        [width]: sizeIn(rod.acrossMm.value, unit),
        [height]: sizeIn(cut.lengthMm, unit),
        'area cm2': '',
        holes: 0,
      })),
    ),
  );
  return csv([
    ...sourcedTemplates(report).map(({ piece, source }) => {
      const b = boundsOf(piece.outline);
      return {
        code: source.code,
        part: source.partName,
        piece: inUnit(piece.name, unit),
        cut: quantityText(piece),
        foam: inUnit(piece.foamName, unit),
        [width]: sizeIn(b.maxX - b.minX, unit),
        [height]: sizeIn(b.maxY - b.minY, unit),
        'area cm2': trimNumber(piece.areaMm2 / 100),
        holes: cutThrough(piece).length,
      };
    }),
    ...sticks,
  ]);
}

export function shoppingCsv(report: Report, currency: string): string {
  return csv(
    report.cost.map((line) => ({
      what: line.what,
      need: line.need,
      have: line.have,
      unit: line.unit,
      [`each ${currency}`]: trimNumber(line.each, 2),
      [`total ${currency}`]: trimNumber(line.total, 2),
      'how sure': line.provenance,
    })),
  );
}

/** An effect is written out in steps of this, for no longer than that. */
const EFFECT_S = 1 / 20;
const MOST_S = 60;

/** Every effect as brightness against time for every lamp, 0 to 255, for any controller. */
export function effectsCsv(doc: BuildDoc, report: Report): string {
  return csv(
    doc.circuits.flatMap((circuit, k) => {
      const { effect } = circuit;
      const made = report.circuits[k];
      if (!effect || !made) return [];
      const lamps = Math.max(1, made.played);
      const lasts = Math.min(MOST_S, effect.kind === 'flicker' ? 12 * effect.periodS : effect.periodS);
      return Array.from({ length: Math.max(1, Math.round(lasts / EFFECT_S)) }, (_row, i) => ({
        circuit: circuit.name,
        seconds: trimNumber(i * EFFECT_S, 2),
        ...Object.fromEntries(
          Array.from({ length: lamps }, (_lamp, n) => [
            `lamp ${n + 1}`,
            Math.round(255 * effectAt(effect, i * EFFECT_S, n, lamps)),
          ]),
        ),
      }));
    }),
  );
}

/** The card for the repair kit: what feeds what, its wire, and what a meter shows. */
export const wiringCsv = (report: Report): string =>
  csv(wiringRows(report).map(({ circuit, what, where, value }) => ({ circuit, what, where, value })));

export const logCsv = (entries: readonly LogEntry[]): string =>
  csv(
    entries.map(({ at, sort = 'note', subject, planned, actual, unit, note, part = '' }) => ({
      at,
      sort,
      subject,
      planned: planned ?? '',
      actual: actual ?? '',
      unit,
      note,
      part,
    })),
  );
