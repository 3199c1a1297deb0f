import Papa from 'papaparse';
import { type LimbSide, type Measure, type MeasureKey, measures as known } from '../body';
import { fail, isRealDay, ok, parseLengthMm, type Result } from '../units';

const HEAD = ['measure', 'value_mm', 'source', 'taken_on', 'side'];

/** Measures as CSV: key, millimetres, source, date and side; one line a reading. */
export const measuresCsv = (all: readonly Measure[]): string =>
  `${Papa.unparse({ fields: HEAD, data: all.map((m) => [m.key, m.valueMm, m.source, m.takenOn, m.side ?? '']) })}\r\n`;

const isSide = (word: string): word is LimbSide => word === 'left' || word === 'right';

/** A measure by its key or by the name shown on screen. */
function keyOf(name: string): MeasureKey | undefined {
  const wanted = name.trim().toLowerCase();
  return known.find((m) => m.key.toLowerCase() === wanted || m.label.toLowerCase() === wanted)?.key;
}

/**
 * Reads measures from CSV. The first column names the measure, the second is a length in any unit
 * (millimetres when bare); a date column is used when there is one, otherwise `today`.
 * @returns the readings with source `csv`, or a sentence naming the line that is wrong. Nothing is half read.
 */
export function readMeasuresCsv(text: string, today: string): Result<Measure[]> {
  const { data, errors } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  if (errors[0] && data.length === 0) return fail(`This is not CSV: ${errors[0].message}.`);
  const rows = data[0] && keyOf(data[0][0] ?? '') === undefined ? data.slice(1) : data;
  if (rows.length === 0) return fail('There is no measure in this file.');
  const all: Measure[] = [];
  for (const [i, row] of rows.entries()) {
    const line = `Line ${i + 1 + (data.length - rows.length)}`;
    const key = keyOf(row[0] ?? '');
    if (!key) return fail(`${line}: I do not know a measure called “${row[0] ?? ''}”.`);
    const value = parseLengthMm(row[1] ?? '');
    if (!value.ok) return fail(`${line}, ${key}: ${value.message}`);
    if (!(value.value >= 0.1 && value.value <= 10000))
      return fail(`${line}, ${key}: ${row[1]} is outside 0.1 to 10000 mm.`);
    const date = row[3]?.trim() ?? '';
    const side = row[4]?.trim() ?? '';
    if (date !== '' && !isRealDay(date))
      return fail(`${line}, ${key}: “${date}” is no day of the calendar; write YYYY-MM-DD.`);
    if (side !== '' && !isSide(side))
      return fail(`${line}, ${key}: the side is left or right, not “${side}”.`);
    all.push({
      key,
      valueMm: value.value,
      source: 'csv',
      takenOn: date === '' ? today : date,
      ...(isSide(side) && { side }),
    });
  }
  return ok(all);
}
