import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { reportOf } from '../report/testing/reportOf';
import { exportOf, makeExport } from './exports';
import { eventCard } from './eventCard';
import { wrapped } from './pdf/wrapped';
import { fontFiles, type FontName } from './pdf/fonts';
import { demo } from './testing/demo';

const font = (name: FontName): Promise<Uint8Array> =>
  Promise.resolve(readFileSync(createRequire(import.meta.url).resolve(fontFiles[name])));

describe('the card for the day', () => {
  for (const name of ['lampwarden-harness', 'lampwarden-arms'])
    it(`is one page that says, read back, every line: ${name}`, async () => {
      const doc = demo(name);
      const report = reportOf(doc);
      const bytes = (await makeExport(exportOf('event-card.pdf'), {
        doc,
        report,
        stamp: new Date(0),
        font,
        unit: 'mm',
      })) as Uint8Array;
      const dir = mkdtempSync(join(tmpdir(), 'day-'));
      try {
        const file = join(dir, 'day.pdf');
        writeFileSync(file, bytes);
        const flat = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).replace(
          /\s+/g,
          ' ',
        );
        expect(/Pages:\s+1\b/.test(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))).to.equal(true);
        for (const { title, lines } of eventCard(doc, report)) {
          expect(flat).to.include(title);
          for (const line of lines) expect(flat).to.include(line);
        }
      } finally {
        rmSync(dir, { recursive: true });
      }
    });

  it('has the order of putting on, and spare sets that last the hours asked', () => {
    const doc = demo('lampwarden-harness');
    const report = reportOf({ ...doc, brief: { ...doc.brief, lightHours: 40 } });
    const sections = Object.fromEntries(
      eventCard({ ...doc, brief: { ...doc.brief, lightHours: 40 } }, report).map((s) => [s.title, s.lines]),
    );
    expect(sections['Putting on']).to.have.length(report.fitting.dressing.length);
    report.circuits.forEach((c, i) => {
      const line = sections['Lights']![2 * i + 1]!;
      const spares = Number(/(\d+) spare sets/.exec(line)?.[1] ?? (line.includes('one spare set') ? 1 : 0));
      expect((spares / c.copies + 1) * c.run!.hours, c.name).to.be.at.least(40 - 1e-6);
      expect((spares / c.copies) * c.run!.hours, c.name).to.be.lessThan(40);
    });
  });

  it('wraps words without losing one', () => {
    const text = 'the lamp burns on the quay until the tide is in';
    expect(wrapped(text, 12).join(' ')).to.equal(text);
    expect(Math.max(...wrapped(text, 12).map((l) => l.length))).to.be.at.most(12);
  });
});
