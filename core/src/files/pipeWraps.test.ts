import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';
import { exportOf, makeExport, offeredExports } from './exports';
import { fontFile } from './testing/font';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };

/** A branch that sits square on a pipe that runs through. */
function branched(rod: string, joint: 'sawn' | 'fitting') {
  const corner = (acrossMm: number, upMm: number) => ({ acrossMm, forwardMm: 0, upMm, joint, radiusMm: 0 });
  const frame = newPart('f', wearer, 'pipe-frame');
  const params = {
    ...frame.params,
    rod,
    corners: [corner(0, -300), corner(0, 0), corner(0, 300), corner(400, 0)],
    pipes: [
      { from: 1, to: 2 },
      { from: 2, to: 3 },
      { from: 2, to: 4 },
    ],
  };
  const doc = { ...newBuild('Pump', '2026-03-01', wearer), parts: [{ ...frame, params }] };
  return { doc, report: derive(doc) };
}

/** Points along a path of lines and cubic curves. */
function pointsOf(d: string): [number, number][] {
  const points: [number, number][] = [];
  for (const [, letter, rest] of d.matchAll(/([MLC])([^MLCZ]*)/g)) {
    const n = rest!.trim().split(/\s+/).map(Number);
    if (letter !== 'C') points.push([n[0]!, n[1]!]);
    else {
      const from = points.at(-1)!;
      for (let i = 1; i <= 20; i++) {
        const [t, u] = [i / 20, 1 - i / 20];
        const at = (k: 0 | 1): number =>
          u ** 3 * from[k] + 3 * u * u * t * n[k]! + 3 * u * t * t * n[2 + k]! + t ** 3 * n[4 + k]!;
        points.push([at(0), at(1)]);
      }
    }
  }
  return points;
}

/** Text of every page, and each page's closed lines in millimetres, as another program reads them. */
async function read(rod: string): Promise<{ text: string; pages: { wideMm: number; highMm: number }[][] }> {
  const source = { ...branched(rod, 'sawn'), stamp: new Date(0), font: fontFile, unit: 'mm' as const };
  const bytes = (await makeExport(exportOf('pipe-wraps.pdf'), source)) as Uint8Array;
  const dir = mkdtempSync(join(tmpdir(), 'wraps-'));
  try {
    const file = join(dir, 'wraps.pdf');
    writeFileSync(file, bytes);
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
    const count = Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))![1]);
    const pages = Array.from({ length: count }, (_, i) => {
      const svg = join(dir, `${i}.svg`);
      execFileSync('pdftocairo', ['-svg', '-f', `${i + 1}`, '-l', `${i + 1}`, file, svg]);
      return [
        ...readFileSync(svg, 'utf8').matchAll(
          /<path[^>]* d="([^"]+Z[^"]*)"[^>]*transform="matrix\(([^)]*)\)/g,
        ),
      ]
        .filter((m) => m[0].includes('stroke:rgb'))
        .map(([, d]) => {
          const points = pointsOf(d!);
          const span = (k: 0 | 1) =>
            (Math.max(...points.map((p) => p[k])) - Math.min(...points.map((p) => p[k]))) * (25.4 / 72);
          return { wideMm: span(0), highMm: span(1) };
        });
    });
    return { text: text.replace(/\s+/g, ' '), pages };
  } finally {
    rmSync(dir, { recursive: true });
  }
}

describe('paper wraps for pipes', () => {
  it('are offered where an end is sawn to a curve, and only there', () => {
    const offered = (joint: 'sawn' | 'fitting') => {
      const { doc, report } = branched('pvc-32mm', joint);
      return offeredExports(doc, report).map((e) => e.id);
    };
    expect(offered('sawn')).to.include('pipe-wraps.pdf');
    expect(offered('fitting')).to.not.include('pipe-wraps.pdf');
  });

  it('go once round their pipe at actual size, read back from the file', async () => {
    const { text, pages } = await read('pvc-32mm');
    expect(text).to.include('pipe 2 to 4, end at corner 2').and.include('girth 100.5 mm');
    const [strip] = pages[0]!;
    expect(strip!.highMm).to.be.closeTo(32 * Math.PI, 0.1);
    // Equal pipes: the bore of 27.2 mm bites least, √(16² − 13.6²), at the sides; the middle stands 16 mm off.
    expect(strip!.wideMm).to.be.closeTo(25 + 16 - Math.sqrt(16 ** 2 - 13.6 ** 2), 0.1);
  });

  it('are in parts where the page is shorter than the girth', async () => {
    const { text, pages } = await read('pvc-110mm');
    expect(text).to.include('1 of 2').and.include('2 of 2');
    const high = pages.flat().reduce((sum, s) => sum + s.highMm, 0);
    expect(high).to.be.closeTo(110 * Math.PI, 0.2);
  });
});
