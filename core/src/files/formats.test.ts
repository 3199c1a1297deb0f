import { expect } from 'chai';
import DxfParser from 'dxf-parser';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { reportOf } from '../report/testing/reportOf';
import { applyChanges, type BuildDoc, type PageSize } from '../document';
import { polylineLength } from '../geometry';
import { type ExportId, exportOf, makeExport } from './exports';
import { sourcedPieces } from '../pattern';
import { planPages } from '../pattern';
import { demo } from './testing/demo';
import { templatesOf } from '../parts';
import { fontFile } from './testing/font';

const doc = demo('lampwarden-bracers');
const report = reportOf(doc);
const stamp = new Date('2026-11-02T12:00:00Z');
const make = (id: ExportId, of = doc): Promise<Uint8Array | string> =>
  makeExport(exportOf(id), { doc: of, report: reportOf(of), stamp, font: fontFile, unit: 'mm' });

/** Horizontal strokes of a PDF page in points, read back by poppler as SVG. */
async function pdfSvg(of: BuildDoc): Promise<{ svg: string; info: string; text: string; pages: number }> {
  const dir = mkdtempSync(join(tmpdir(), 'fomrik-'));
  const file = join(dir, 'p.pdf');
  writeFileSync(file, await make('pattern.pdf', of));
  const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
  const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  execFileSync('pdftocairo', ['-svg', '-noshrink', '-f', '1', '-l', '1', file, join(dir, 'p.svg')]);
  return {
    svg: readFileSync(join(dir, 'p.svg'), 'utf8'),
    info,
    text,
    pages: Number(/Pages:\s+(\d+)/.exec(info)![1]),
  };
}

/** Lengths of all two-point strokes on the page, in points, transforms applied. */
function strokes(svg: string): number[] {
  return [...svg.matchAll(/<path[^>]* d="M ([-\d.]+) ([-\d.]+) L ([-\d.]+) ([-\d.]+)\s*"([^>]*)/g)].map(
    (m) => {
      const [x1, y1, x2, y2] = [1, 2, 3, 4].map((i) => Number(m[i])) as [number, number, number, number];
      const matrix = /transform="matrix\(([^)]+)\)"/.exec(m[0]);
      const [a, b, c, d] = matrix
        ? (matrix[1]!.split(/[ ,]+/).map(Number) as [number, number, number, number])
        : ([1, 0, 0, 1] as const);
      const [dx, dy] = [x2 - x1, y2 - y1];
      return Math.hypot(a * dx + c * dy, b * dx + d * dy);
    },
  );
}

const near = (all: number[], want: number): boolean => all.some((s) => Math.abs(s - want) < 0.06);

describe('PDF pages, read back with poppler', function () {
  this.timeout(60_000);

  it('print a 100 mm bar of 283.46 pt (72 pt to the inch, ISO 32000) and a 4 in bar of 288 pt', async () => {
    const { svg, info, text } = await pdfSvg(doc);
    const all = strokes(svg);
    expect(near(all, (100 / 25.4) * 72)).to.equal(true);
    expect(near(all, 288)).to.equal(true);
    expect(info).to.match(/595\.\d+ x 841\.\d+ pts \(A4\)/);
    expect(text)
      .to.include('cut 2, one flipped')
      .and.to.match(/6 mm dense EVA/)
      .and.to.include('100 mm')
      .and.to.include('page 2 of');
  });

  it('enlarge the next print when the bar came out short', async () => {
    const { svg, text } = await pdfSvg(applyChanges(doc, [{ path: ['cut', 'barMeasuredMm'], value: 97 }]));
    expect(near(strokes(svg), ((100 / 25.4) * 72 * 100) / 97)).to.equal(true);
    expect(text).to.include('bar measured 97 mm');
  });

  it('has no page that shows nothing of its piece, on any paper', async () => {
    for (const page of ['A4', 'A3', 'Letter', 'Legal'] as PageSize[]) {
      const of = applyChanges(doc, [{ path: ['cut', 'page'], value: page }]);
      const windows = planPages(sourcedPieces(report), of.cut);
      const { pages } = await pdfSvg(of);
      expect(pages).to.equal(windows.length + 1);
      for (const w of windows) {
        const reach = w.placed.flatMap((l) =>
          l.outline.filter(
            (p) => p.x > w.x - 1 && p.x < w.x + w.widthMm + 1 && p.y > w.y - 1 && p.y < w.y + w.heightMm + 1,
          ),
        );
        expect(reach.length, page).to.be.greaterThan(0);
      }
    }
  });

  it('takes at most forty pages of A4 for a harness of eight forms, a first page among them', async () => {
    const harness = demo('lampwarden-harness');
    const { pages, text } = await pdfSvg(harness);
    expect(pages).to.be.at.most(40);
    for (const part of reportOf(harness).parts)
      for (const piece of templatesOf(part.pieces)) expect(text).to.include(piece.name);
  });

  it('says at the front how to print, with a bar along the page, and corrects each way by its own bar', async () => {
    const two = [
      { path: ['cut', 'barMeasuredMm'], value: 98 },
      { path: ['cut', 'barAlongMeasuredMm'], value: 102 },
    ];
    const { svg, text } = await pdfSvg(applyChanges(doc, two));
    expect(text).to.include('never “fit to page”').and.to.include('100 mm along');
    const pt = (100 / 25.4) * 72;
    expect(near(strokes(svg), (pt * 100) / 98)).to.equal(true);
    expect(near(strokes(svg), (pt * 100) / 102)).to.equal(true);
  });

  it('shows names in the letters of East Asia, from fonts that go in only when they are used', async () => {
    const name = 'ランプ守 灯台骑士 등대 기사';
    const named = applyChanges(doc, [{ path: ['parts', 0, 'name'], value: name }]);
    const { text } = await pdfSvg(named);
    expect(text).to.include(name);
    expect(text).not.to.include('\u25a1');
    const plain = ((await make('pattern.pdf')) as Uint8Array).length;
    const japanese = applyChanges(doc, [{ path: ['parts', 0, 'name'], value: '灯台の籠手' }]);
    const [one, all] = [japanese, named].map(
      async (d) => ((await make('pattern.pdf', d)) as Uint8Array).length,
    );
    expect((await one)!).to.be.greaterThan(plain + 200_000);
    expect((await all)!, 'three fonts').to.be.greaterThan((await one)! + 1_000_000);
  });

  it('shows names in any of the letters of Europe', async () => {
    const named = applyChanges(doc, [{ path: ['parts', 0, 'name'], value: 'Żółw Λάμπα Щит Ő' }]);
    expect((await pdfSvg(named)).text).to.include('Żółw Λάμπα Щит Ő');
  });
});

describe('DXF, read back with a separate parser', () => {
  it('keeps millimetres, layers, outlines and holes', async () => {
    const parsed = new DxfParser().parseSync((await make('pattern.dxf')) as string)!;
    expect(parsed.header['$INSUNITS']).to.equal(4);
    expect(Object.keys(parsed.tables.layer.layers)).to.include.members([
      'CUT',
      'HOLE',
      'NOTCH',
      'GROOVE',
      'TEXT',
    ]);
    const outlines = parsed.entities.filter(
      (e) => e.type === 'LWPOLYLINE' && e.layer === 'CUT',
    ) as unknown as { vertices: { x: number; y: number; bulge?: number }[]; shape: boolean }[];
    expect(outlines).to.have.length(2);
    const shell = report.parts[0]!.pieces[0]!;
    const closed = (points: { x: number; y: number }[]): number => polylineLength([...points, points[0]!]);
    // Along arcs: a bulge is the tangent of a quarter of the turn.
    const drawn = outlines[0]!.vertices.reduce((sum, p, i, all) => {
      const q = all[(i + 1) % all.length]!;
      const turn = Math.abs(4 * Math.atan(p.bulge ?? 0));
      const chord = Math.hypot(q.x - p.x, q.y - p.y);
      return sum + (turn > 0 ? (chord / 2 / Math.sin(turn / 2)) * turn : chord);
    }, 0);
    expect(drawn).to.be.closeTo(closed(shell.outline), 0.1);
    const circles = parsed.entities.filter((e) => e.type === 'CIRCLE') as unknown as { radius: number }[];
    expect(circles.map((c) => c.radius)).to.deep.equal([2.5, 2.5, 2.5]);
  });
});

describe('SVG', () => {
  it('has millimetre user units, a group per kind of line, and escapes words', async () => {
    const named = applyChanges(doc, [{ path: ['parts', 0, 'name'], value: 'A <b> & "c"' }]);
    const svg = (await make('pattern.svg', named)) as string;
    const [, w, vb] = /width="([\d.]+)mm" height="[\d.]+mm" viewBox="0 0 ([\d.]+) /.exec(svg)!;
    expect(w).to.equal(vb);
    for (const layer of ['cut', 'hole', 'pocket', 'text']) expect(svg).to.include(`<g id="${layer}"`);
    expect(svg).to.include('A &lt;b&gt; &amp; &quot;c&quot;').and.not.include('<b>');
  });
});

describe('lists and calendar', () => {
  it('defuse formulas and list every piece', async () => {
    const named = applyChanges(doc, [{ path: ['parts', 0, 'name'], value: '=1+1' }]);
    const rows = Papa.parse<Record<string, string>>((await make('cut-list.csv', named)) as string, {
      header: true,
      skipEmptyLines: true,
    }).data;
    expect(rows).to.have.length(2);
    expect(rows[0]!['part']).to.equal("'=1+1");
    expect(rows[0]!['cut']).to.equal('cut 2, one flipped · R as drawn, L flipped');
  });

  it('adds up the shopping list to the ledger', async () => {
    const rows = Papa.parse<Record<string, string>>((await make('shopping.csv')) as string, {
      header: true,
      skipEmptyLines: true,
    }).data;
    const sum = rows.reduce((total, row) => total + Number(row['total EUR']), 0);
    expect(sum).to.be.closeTo(report.totals.cost, 0.05);
  });

  it('writes an event per step by the clock on the wall, wherever the machine stands', async () => {
    const zone = process.env.TZ;
    const starts = new Set<string>();
    for (const tz of ['UTC', 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland']) {
      process.env.TZ = tz;
      starts.add(((await make('steps.ics')) as string).match(/DTSTART:\S+/g)!.join());
    }
    if (zone === undefined) delete process.env.TZ;
    else process.env.TZ = zone;
    expect(starts.size).to.equal(1);
    // The first step begins when the schedule says, read here from its minutes.
    const [first] = report.schedule.slots;
    const [h, m] = [Math.floor(first!.startMin / 60) % 24, first!.startMin % 60];
    expect([...starts][0]).to.include(`T${String(h).padStart(2, '0')}${String(m).padStart(2, '0')}00`);
    const ics = (await make('steps.ics')) as string;
    // A job over two evenings is an event on each, none longer than the evening.
    expect(ics.match(/BEGIN:VEVENT/g)).to.have.length(report.schedule.slots.flatMap((s) => s.spans).length);
    const stamps = (key: string): number[] =>
      [...ics.matchAll(new RegExp(`${key}:(\\d{4})(\\d\\d)(\\d\\d)T(\\d\\d)(\\d\\d)`, 'g'))].map(
        ([, y, mo, d, h, mi]) =>
          Date.UTC(Number(y), Number(mo) - 1, Number(d), Number(h), Number(mi)) / 60_000,
      );
    const [begins, ends] = [stamps('DTSTART'), stamps('DTEND')];
    begins.forEach((at, i) => expect(ends[i]! - at).to.be.within(0, doc.brief.hoursPerDay * 60 + 1));
    const worked = ends.reduce((sum, at, i) => sum + at - begins[i]!, 0);
    expect(worked).to.be.closeTo(report.totals.workMin, begins.length);
    expect(ics).to.match(/DTSTART:20261102T\d{6}\r?\n/);
    expect(ics).to.include('test again in the shell');
  });
});
