import { expect } from 'chai';
import fc from 'fast-check';
import type { LogEntry } from '../document';
import { logCsv } from './csv';
import { withoutControls } from './text';
import { notYetIn, readLogCsv } from './logCsv';

const now = '2026-11-26T12:00:00.000Z';
const words = fc.string({ maxLength: 40 }).map((s) => withoutControls(s).trim());
const entry = fc
  .record({
    subject: words.filter((s) => s !== '' && !s.startsWith("'")),
    note: words.filter((s) => !s.startsWith("'")),
    planned: fc.option(fc.integer({ min: -1000, max: 1000 })),
    actual: fc.option(fc.integer({ min: -1000, max: 1000 })),
    sort: fc.constantFrom('note', 'broke', 'next'),
    part: fc.constantFrom('', 'helm', 'p-1'),
    atMs: fc.integer({ min: 0, max: 2e12 }),
  })
  .map(({ atMs, sort, part, ...e }): LogEntry => ({
    ...e,
    id: '',
    unit: 'h',
    at: new Date(atMs).toISOString(),
    ...(sort !== 'note' && { sort: sort as 'broke' | 'next' }),
    ...(part && { part }),
  }));

describe('the log as CSV', () => {
  it('comes back as it went out, formulas defused and all', () => {
    fc.assert(
      fc.property(fc.array(entry, { minLength: 1, maxLength: 8 }), (entries) => {
        const read = readLogCsv(logCsv(entries), now);
        if (!read.ok) throw new Error(read.message);
        expect(read.value.map((e) => ({ ...e, id: '' }))).to.deep.equal(entries);
        expect(new Set(read.value.map((e) => e.id)).size).to.equal(entries.length);
      }),
      { numRuns: 60 },
    );
  });

  it('names the line and what is wrong with it, and reads nothing then', () => {
    const bad = (body: string): string => {
      const read = readLogCsv(`at,subject,planned,sort\n${body}`, now);
      if (read.ok) throw new Error('was read');
      return read.message;
    };
    expect(bad(`${now},Glue,2,note\n${now},,1,note`)).to.match(/^Line 3: the subject/);
    expect(bad(`yesterday,Glue,2,note`)).to.equal('Line 2: “yesterday” is no date and time.');
    expect(bad(`${now},Glue,two,note`)).to.equal('Line 2, planned: “two” is not a number.');
    expect(bad(`${now},Glue,2,later`)).to.include('not “later”');
    expect(readLogCsv('a,b\n1,2', now)).to.deep.include({ ok: false });
    expect(readLogCsv('subject\n', now)).to.deep.include({ ok: false });
  });

  const readOf = (text: string, at = now): LogEntry[] => {
    const read = readLogCsv(text, at);
    if (!read.ok) throw new Error(read.message);
    return read.value;
  };

  it('keeps entries of two files apart and knows the same line again, with a time or without', () => {
    const first = readOf('subject,actual\nGlue,2\nGlue,2\nCut,1');
    const second = readOf('subject,actual\nSand,2\nPaint,4\nSeal,1');
    expect(new Set([...first, ...second].map((e) => e.id)).size).to.equal(6);
    const later = readOf('subject,actual\nCut,1\nGlue,2\nGlue,2', '2026-12-24T12:00:00.000Z');
    expect(new Set(later.map((e) => e.id))).to.deep.equal(new Set(first.map((e) => e.id)));
    expect(notYetIn(first, later)).to.deep.equal([]);
    expect(notYetIn(first, [...later, ...second])).to.deep.equal(second);
  });

  it('does not double a log that is read back into the build it came from', () => {
    const log = readOf(`at,subject,note\n${now},Glue,thin\n${now},Glue,thin`).map((e, i) => ({
      ...e,
      id: `log-${i}`,
    }));
    expect(notYetIn(log, readOf(logCsv(log)))).to.deep.equal([]);
    expect(notYetIn(log.slice(1), readOf(logCsv(log)))).to.have.length(1);
  });
});
