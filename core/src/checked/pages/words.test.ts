import { expect } from 'chai';
import fc from 'fast-check';
import { patternPdf } from '../../files/pdf/pattern';
import { demo } from '../../files/testing/demo';
import { fontFile } from '../../files/testing/font';
import { newBuild, partReport, standardKinds } from '../../parts';
import { anyPart } from '../../parts/testing/anyPart';
import { contextOf } from '../../parts/testing/worn.test';
import { printedPieces } from '../../pattern';
import { reportOf } from '../../report/testing/reportOf';
import { readPages, unreadable } from './readPages';

const demos = ['bracers', 'harness', 'arms', 'gull', 'harbour', 'tide'];

describe('every word on a page can be read, by poppler', function () {
  this.timeout(300_000);

  for (const name of demos)
    it(`lampwarden-${name}: no word lies over another, over a cut line or over the paper’s edge`, async () => {
      const doc = demo(`lampwarden-${name}`);
      const report = reportOf(doc);
      const pages = readPages(await patternPdf(printedPieces(report), doc.cut, doc.name, fontFile));
      expect(pages).to.have.length(report.pages);
      expect(pages.flatMap((p) => p.words).length).to.be.greaterThan(50);
      pages.forEach((page, i) => expect(unreadable(page), `page ${i + 1}`).to.deep.equal([]));
    });

  it('of any part, on any paper', async () => {
    const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
    const forms = [...standardKinds.forms.values()].filter((f) => !f.surface).map((f) => f.kind);
    const { cut } = newBuild('Any', '2026-03-01', wearer);
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...forms).chain((form) => anyPart(form, wearer)),
        fc.constantFrom('A4', 'A3', 'Letter', 'Legal'),
        async (part, page) => {
          const report = { parts: [partReport(part, contextOf(), true)], letters: { [part.id]: 'A' } };
          const items = printedPieces(report);
          const small = items.slice(0, 12).filter(({ piece }) => piece.areaMm2 < 4e5);
          if (small.length === 0) return;
          const pages = readPages(
            await patternPdf(small, { ...cut, page: page as never }, 'Any part', fontFile),
          );
          for (const one of pages) expect(unreadable(one), part.form).to.deep.equal([]);
        },
      ),
      { numRuns: Number(process.env['FOMRIK_PAGES'] ?? 12), seed: 20261129 },
    );
  });
});
