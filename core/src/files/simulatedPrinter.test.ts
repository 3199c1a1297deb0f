import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { applyChanges } from '../document';
import { reportOf } from '../report/testing/reportOf';
import { exportOf, makeExport } from './exports';
import { type PrinterFaults, simulatedPrint } from './simulatedPrinter';
import { demo } from './testing/demo';
import { fontFile } from './testing/font';

const doc = demo('lampwarden-bracers');

/** Longest strokes of the first page as they lie on the printed paper, mm, across and along it: a ruler on the bars. */
async function ruler(of: typeof doc, faults: PrinterFaults): Promise<{ across: number[]; along: number[] }> {
  const pdf = (await makeExport(exportOf('pattern.pdf'), {
    doc: of,
    report: reportOf(of),
    stamp: new Date(0),
    font: fontFile,
    unit: 'mm',
  })) as Uint8Array;
  const dir = mkdtempSync(join(tmpdir(), 'printer-'));
  try {
    writeFileSync(join(dir, 'p.pdf'), await simulatedPrint(pdf, faults));
    execFileSync('pdftocairo', [
      '-svg',
      '-noshrink',
      '-f',
      '1',
      '-l',
      '1',
      join(dir, 'p.pdf'),
      join(dir, 'p.svg'),
    ]);
    const svg = readFileSync(join(dir, 'p.svg'), 'utf8');
    const across: number[] = [];
    const along: number[] = [];
    for (const m of svg.matchAll(/<path[^>]* d="M ([-\d.]+) ([-\d.]+) L ([-\d.]+) ([-\d.]+)\s*"([^>]*)/g)) {
      const [x1, y1, x2, y2] = [1, 2, 3, 4].map((i) => Number(m[i])) as [number, number, number, number];
      const matrix = /transform="matrix\(([^)]+)\)"/.exec(m[0]);
      const [a, b, c, d] = matrix
        ? (matrix[1]!.split(/[ ,]+/).map(Number) as [number, number, number, number])
        : ([1, 0, 0, 1] as const);
      const [dx, dy] = [a * (x2 - x1) + c * (y2 - y1), b * (x2 - x1) + d * (y2 - y1)];
      if (Math.abs(dy) < 0.01) across.push((Math.abs(dx) / 72) * 25.4);
      if (Math.abs(dx) < 0.01) along.push((Math.abs(dy) / 72) * 25.4);
    }
    return { across, along };
  } finally {
    rmSync(dir, { recursive: true });
  }
}

const nearest = (all: readonly number[], mm: number): number =>
  all.reduce((best, v) => (Math.abs(v - mm) < Math.abs(best - mm) ? v : best), Infinity);

describe('a printer with faults of its own', () => {
  for (const faults of [
    { across: 0.965, along: 0.98, marginMm: 4 },
    { across: 1.012, along: 0.955, marginMm: 6 },
  ])
    it(`scaled ${faults.across} across and ${faults.along} along is put right by measuring its bars once: 0.2 mm in 200`, async () => {
      const first = await ruler(doc, faults);
      // What a ruler says, to a tenth of a millimetre at best.
      const read = (all: readonly number[], scale: number): number =>
        Math.round(nearest(all, 100 * scale) * 10) / 10;
      const [across, along] = [read(first.across, faults.across), read(first.along, faults.along)];
      expect(across).to.be.closeTo(100 * faults.across, 0.06);
      expect(along).to.be.closeTo(100 * faults.along, 0.06);
      const again = await ruler(
        applyChanges(doc, [
          { path: ['cut', 'barMeasuredMm'], value: across },
          { path: ['cut', 'barAlongMeasuredMm'], value: along },
        ]),
        faults,
      );
      expect(nearest(again.across, 100)).to.be.closeTo(100, 0.1);
      expect(nearest(again.along, 100)).to.be.closeTo(100, 0.1);
    });
});
