import { PDFDocument } from '@cantoo/pdf-lib';
import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { reportOf } from '../../report/testing/reportOf';
import { demo } from '../testing/demo';
import { fontFile } from '../testing/font';
import { exportOf, makeExport } from '../exports';
import { buildBook } from './buildBook';

describe('the build book', function () {
  this.timeout(120_000);
  const plain = demo('lampwarden-bracers');
  const noted = 'The spring behind it is stiff: ask Öle — “twice”.';
  const doc = {
    ...plain,
    parts: plain.parts.map((p, i) => ({
      ...p,
      features: p.features.map((f, k) => (i === 0 && k === 0 ? { ...f, note: noted } : f)),
    })),
  };
  const report = reportOf(doc);
  let bytes: Uint8Array;
  let text = '';
  before(async () => {
    bytes = await buildBook({ doc, report, unit: 'mm' }, fontFile);
    const file = join(mkdtempSync(join(tmpdir(), 'fomrik-book-')), 'book.pdf');
    writeFileSync(file, bytes);
    text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  });

  const squeezed = (words: string): string => words.replace(/\s+/g, '');

  it('has a cover, lists and every step two to a page', async () => {
    const pdf = await PDFDocument.load(bytes);
    const pages = pdf.getPageCount();
    const ofSteps = Math.ceil(report.steps.length / 2);
    expect(pages).to.be.within(ofSteps + 4, ofSteps + 8);
    expect(bytes.length).to.be.lessThan(10e6);
  });

  it('names every step by its number, with its time; every part, measure and thing to buy', () => {
    const all = squeezed(text);
    report.steps.forEach((step, i) =>
      expect(all, step.title).to.include(squeezed(`${i + 1}. ${step.title.slice(0, 24)}`)),
    );
    for (const part of report.parts) expect(all).to.include(squeezed(part.name));
    for (const line of report.cost.filter((l) => l.need > l.have))
      expect(all, line.what).to.include(squeezed(line.what));
    for (const word of ['Measures', 'Parts', 'Sheets', 'Shopping', 'Packing', 'Theday', 'Wiring'])
      expect(all, word).to.include(word);
  });

  it('has what was written down of a detail, in every letter', () => {
    expect(squeezed(text)).to.include(squeezed(noted));
    expect(squeezed(text)).to.include('Notes');
  });

  it('has its cover as a picture of its own', async () => {
    const png = await makeExport(exportOf('finished.png'), {
      doc,
      report,
      stamp: new Date(0),
      font: fontFile,
      unit: 'mm',
    });
    const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height, info.channels]).to.deep.equal([1200, 1600, 4]);
    const seen = data.filter((v, i) => i % 4 === 3 && v > 200).length / (info.width * info.height);
    expect(seen, 'share that is not empty').to.be.within(0.1, 0.95);
  });

  it('says every caution at its step', () => {
    const all = squeezed(text);
    const cautions = report.steps.flatMap((s) => s.cautions);
    expect(cautions.length).to.be.greaterThan(3);
    expect(all.split('Care,').length - 1).to.equal(cautions.length);
  });
});
