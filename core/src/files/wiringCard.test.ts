import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { derive } from '../report';
import { readBuildFile } from './buildFile';
import { exportOf, makeExport, offeredExports } from './exports';
import { fontFiles, type FontName } from './pdf/fonts';
import { wiringRows } from './wiringRows';

const font = (name: FontName): Promise<Uint8Array> =>
  Promise.resolve(readFileSync(createRequire(import.meta.url).resolve(fontFiles[name])));

describe('the wiring card', () => {
  const read = readBuildFile(
    readFileSync(new URL('../../../demo/lampwarden-arms.fomrik.json', import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(read.message);
  const { build } = read.value;
  const report = derive(build);

  it('is one page that says, read back, what feeds what and what a meter shows', async () => {
    const bytes = (await makeExport(exportOf('wiring.pdf'), {
      doc: build,
      report,
      stamp: new Date(0),
      font,
      unit: 'mm',
    })) as Uint8Array;
    const dir = mkdtempSync(join(tmpdir(), 'card-'));
    try {
      const file = join(dir, 'card.pdf');
      writeFileSync(file, bytes);
      const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
      const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
      expect(/Pages:\s+1\b/.test(info)).to.equal(true);
      const flat = text.replace(/\s+/g, ' ');
      expect(flat).to.include('wiring card').and.include('2 × AA flat holder').and.include('step-up board');
      for (const row of wiringRows(report)) {
        expect(flat, `${row.circuit}: ${row.what}`).to.include(row.value.slice(0, 30));
        if (row.what === 'meter') expect(flat).to.include(row.where.slice(0, 30));
      }
    } finally {
      rmSync(dir, { recursive: true });
    }
  });

  it('is offered only where there is something to wire', () => {
    expect(offeredExports(build, report).map((e) => e.id)).to.include.members([
      'wiring.pdf',
      'wiring.csv',
      'effects.csv',
    ]);
    const dark = { ...build, circuits: [] };
    expect(offeredExports(dark, derive(dark)).filter(({ id }) => /wiring|effects/.test(id))).to.deep.equal(
      [],
    );
  });
});
