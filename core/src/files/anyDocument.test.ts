import { expect } from 'chai';
import fc from 'fast-check';
import type { BuildDoc } from '../document';
import { upgradeDoc } from './buildFile';
import { makeExport, offeredExports } from './exports';
import { sheetFile } from './sheetFile';
import { fontFile } from './testing/font';
import { nans } from './testing/nans';
import { derive } from '../report';
import { anyDocument } from './testing/anyDocument';

/** Builds at random; FOMRIK_DOCUMENTS=5000 for a long run. */
const count = Number(process.env['FOMRIK_DOCUMENTS'] ?? 10);
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261130);

/** Builds that take longer than this per part are listed at the end; seconds of processor time. */
const SLOW_S = 2;
const stamp = new Date('2026-03-01');

const cpuS = (): number => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1e6;
};

const reported = ({ parts }: BuildDoc): string =>
  parts.map((p) => `${p.form}[${p.features.map((f) => f.kind).join(', ')}]`).join(' + ');

const words = /NaN|Infinity|undefined|\[object/;

describe('any valid build', function () {
  this.timeout(120_000 + count * 20_000);
  const slow: string[] = [];
  after(() => {
    if (slow.length > 0) console.log(`    over ${SLOW_S} s a part: ${slow.join('; ')}`);
  });

  it('is worked out and leaves in every file without a throw or a number that is none', async () => {
    await fc.assert(
      fc.asyncProperty(anyDocument(), async (doc) => {
        const what = reported(doc);
        const read = upgradeDoc(JSON.parse(JSON.stringify(doc)));
        if (!read.ok) throw new Error(`${what}: ${read.message}`);
        const begun = cpuS();
        const report = derive(read.value);
        const took = cpuS() - begun;
        if (took > SLOW_S * doc.parts.length) slow.push(`${what} ${took.toFixed(1)} s`);
        expect(nans(report), what).to.deep.equal([]);
        for (const of of offeredExports(read.value, report).filter((e) => !e.slow)) {
          const file = await makeExport(of, { doc: read.value, report, stamp, font: fontFile, unit: 'mm' });
          if (typeof file === 'string')
            expect(words.exec(file)?.[0], `${of.id} of ${what}`).to.equal(undefined);
        }
        report.packed.sheets.forEach((_, i) => {
          for (const kind of ['svg', 'dxf'] as const)
            expect(words.exec(sheetFile(report, i, kind, 'Sheet'))?.[0], `${kind} of ${what}`).to.equal(
              undefined,
            );
        });
      }),
      // A failing build is reported as generated: shrinking it takes longer than reading it.
      { numRuns: count, seed, endOnFailure: true },
    );
  });
});
