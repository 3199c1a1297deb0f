import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { derive } from '../report';
import { readBuildFile } from './buildFile';
import { makeDownload } from './downloads';
import { downloadsOf } from './offered';
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
    const bytes = (await makeDownload('wiring.pdf', build, report, new Date(0), font)) as Uint8Array;
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
    expect(downloadsOf(build, report)).to.include.members(['wiring.pdf', 'wiring.csv', 'effects.csv']);
    const dark = { ...build, circuits: [] };
    expect(downloadsOf(dark, derive(dark)).filter((k) => /wiring|effects/.test(k))).to.deep.equal([]);
  });
});
