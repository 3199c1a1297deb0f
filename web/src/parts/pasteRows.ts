import type { Row, RowsField, ScalarField } from '@fomrik/core/document';
import {
  fail,
  type LengthUnit,
  ok,
  parseLengthMm,
  printLength,
  type Result,
  trimNumber,
} from '@fomrik/core/units';

/** What a cell of a spreadsheet says, as a value of a field; why not, by field and range. */
export function cellValue(field: ScalarField, text: string, unit: LengthUnit): Result<number | string> {
  const said = text.trim();
  if (field.type === 'choice') {
    const found = field.choices.find(
      (c) => c.label.toLowerCase() === said.toLowerCase() || String(c.value) === said,
    );
    return found
      ? ok(found.value)
      : fail(`${field.label}: “${said}” is none of ${field.choices.map((c) => c.label).join(', ')}.`);
  }
  const number = Number(said.replace(',', '.'));
  const read =
    field.type === 'length'
      ? parseLengthMm(said, unit)
      : said !== '' && Number.isFinite(number)
        ? ok(number)
        : fail(`${field.label}: “${said}” is not a number.`);
  if (!read.ok) return fail(`${field.label}: ${read.message}`);
  if (field.type === 'count' && !Number.isInteger(read.value))
    return fail(`${field.label} must be a whole number, not ${said}.`);
  const [low, high] = field.type === 'foam' ? [0, 50] : field.range;
  const print = (v: number): string => (field.type === 'length' ? printLength(v, unit) : trimNumber(v));
  return read.value < low || read.value > high
    ? fail(`${field.label}: ${print(read.value)} is outside ${print(low)} to ${print(high)}.`)
    : ok(read.value);
}

/** Whether a text is cells of a spreadsheet rather than one value. */
export const isCells = (text: string): boolean => /[\t\n]/.test(text.trim());

/**
 * Cells put over the lines of a list from one of its cells on; lines that are missing are added. All of it or nothing: the
 * first cell that cannot be taken says why, with its line.
 */
export function pasteRows(
  field: RowsField,
  rows: readonly Row[],
  from: { row: number; column: number },
  text: string,
  unit: LengthUnit,
): Result<Row[]> {
  const lines = text
    .replace(/\r/g, '')
    .replace(/\n+$/, '')
    .split('\n')
    .map((line) => line.split('\t'));
  const most = field.range[1];
  if (from.row + lines.length > most)
    return fail(
      `${field.label} has at most ${most} ${field.line}s; ${from.row + lines.length} would be there.`,
    );
  const next = [...rows];
  while (next.length < from.row + lines.length) next.push(field.start(next));
  for (const [i, cells] of lines.entries()) {
    const changed: Record<string, number | string> = {};
    for (const [k, cell] of cells.entries()) {
      const sub = field.of[from.column + k];
      if (!sub) return fail(`${field.label} has ${field.of.length} columns; the ${k + 1}th cell has none.`);
      const value = cellValue(sub, cell, unit);
      if (!value.ok) return fail(`${field.line} ${from.row + i + 1}: ${value.message}`);
      changed[sub.key] = value.value;
    }
    next[from.row + i] = { ...next[from.row + i], ...changed } as Row;
  }
  return ok(next);
}

/** A line moved to another place among its list. */
export function movedRow(rows: readonly Row[], from: number, to: number): Row[] {
  const next = [...rows];
  const [row] = next.splice(from, 1);
  if (row) next.splice(Math.min(Math.max(to, 0), next.length), 0, row);
  return next;
}
