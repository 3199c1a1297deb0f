import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import Papa from 'papaparse';
import type { LogEntry, LogSort } from '../document';
import { fail, ok, type Result } from '../units';

const COLUMNS = ['at', 'sort', 'subject', 'planned', 'actual', 'unit', 'note', 'part'] as const;
type Row = Partial<Record<(typeof COLUMNS)[number], string>>;

const MOST_LINES = 2000;
const MOST = 1e9;
const sorts: readonly string[] = ['note', 'broke', 'next', 'bought'] satisfies LogSort[];

/** Cells that were defused for spreadsheets, as they were before. */
const plain = (cell: string | undefined): string => (cell ?? '').trim().replace(/^'(?=[=+\-@\t\r])/, '');

/** A number, or none; undefined when it is neither. */
function numberOf(cell: string): number | null | undefined {
  if (cell === '') return null;
  const value = Number(cell.replace(',', '.'));
  return Number.isFinite(value) && Math.abs(value) <= MOST ? value : undefined;
}

/** What an entry says; its time only where the file tells one. */
const contentOf = (e: Omit<LogEntry, 'id'>, at: string): string =>
  JSON.stringify([at, e.subject, e.note, e.planned, e.actual, e.unit, e.sort ?? '', e.part ?? '']);

/** Numbers the same thing said again: the second of two like lines is another entry than the first. */
function counter(): (content: string) => number {
  const seen = new Map<string, number>();
  return (content) => {
    const n = seen.get(content) ?? 0;
    seen.set(content, n + 1);
    return n;
  };
}

/** An id made from what an entry says: the same line has it in whatever file it stands, and no other line has. */
const idOf = (content: string, nth: number): string =>
  `csv-${bytesToHex(sha256(utf8ToBytes(`${nth} ${content}`))).slice(0, 24)}`;

/** Of entries that were read, those that a log does not have yet, by id or by what they say. */
export function notYetIn(log: readonly LogEntry[], read: readonly LogEntry[]): LogEntry[] {
  const ids = new Set(log.map((e) => e.id));
  const there = new Map<string, number>();
  for (const e of log) there.set(contentOf(e, e.at), (there.get(contentOf(e, e.at)) ?? 0) + 1);
  const nth = counter();
  return read.filter((e) => {
    const content = contentOf(e, e.at);
    return !ids.has(e.id) && nth(content) >= (there.get(content) ?? 0);
  });
}

/**
 * Reads the log from CSV, columns by their names: when, sort, subject, planned, actual, unit, note and part; only the
 * subject must be there. The same line read twice is the same entry.
 * @param now ISO time for lines that do not say when.
 * @returns the entries, or a sentence naming the line that is wrong. Nothing is half read.
 */
export function readLogCsv(text: string, now: string): Result<LogEntry[]> {
  const { data, meta, errors } = Papa.parse<Row>(text.trim(), { header: true, skipEmptyLines: true });
  if (!meta.fields?.includes('subject'))
    return fail(`A log in CSV has a column “subject”; known are ${COLUMNS.join(', ')}.`);
  if (errors[0]) return fail(`Line ${(errors[0].row ?? 0) + 2}: ${errors[0].message}.`);
  if (data.length === 0) return fail('There is no entry in this file.');
  if (data.length > MOST_LINES) return fail(`${data.length} lines: at most ${MOST_LINES} are read at once.`);
  const entries: LogEntry[] = [];
  const nth = counter();
  for (const [i, row] of data.entries()) {
    const line = `Line ${i + 2}`;
    const [at, sort, subject, unit, note, part] = (
      ['at', 'sort', 'subject', 'unit', 'note', 'part'] as const
    ).map((key) => plain(row[key])) as [string, string, string, string, string, string];
    if (subject === '' || subject.length > 120) return fail(`${line}: the subject has 1 to 120 letters.`);
    if (note.length > 5000) return fail(`${line}: a note has at most 5000 letters.`);
    if (unit.length > 20) return fail(`${line}: a unit has at most 20 letters.`);
    if (sort !== '' && !sorts.includes(sort))
      return fail(`${line}: the sort is ${sorts.join(', ')}, not “${sort}”.`);
    const time = at === '' ? now : at;
    if (Number.isNaN(Date.parse(time))) return fail(`${line}: “${at}” is no date and time.`);
    const [planned, actual] = [numberOf(plain(row.planned)), numberOf(plain(row.actual))];
    if (planned === undefined) return fail(`${line}, planned: “${row.planned}” is not a number.`);
    if (actual === undefined) return fail(`${line}, actual: “${row.actual}” is not a number.`);
    const when = new Date(time).toISOString();
    const entry: Omit<LogEntry, 'id'> = {
      at: when,
      subject,
      note,
      planned,
      actual,
      unit,
      ...(sort !== '' && sort !== 'note' && { sort: sort as LogSort }),
      ...(/^[\w:-]{1,60}$/.test(part) && { part }),
    };
    const content = contentOf(entry, at === '' ? '' : when);
    entries.push({ id: idOf(content, nth(content)), ...entry });
  }
  return ok(entries);
}
