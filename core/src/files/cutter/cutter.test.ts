import { expect } from 'chai';
import { laidOutline } from '../../cut';
import { applyChanges } from '../../document';
import type { Vec2 } from '../../geometry';
import { templatesOf } from '../../parts';
import { reportOf } from '../../report/testing/reportOf';
import { demo } from '../testing/demo';
import { handRows } from './handSheet';
import { motionList } from './motionList';
import { operationsOf } from './operations';
import { replay } from './simulated';

/** How far a point is from a closed line. */
function away(p: Vec2, ring: readonly Vec2[]): number {
  let least = Infinity;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const t = Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
    least = Math.min(least, Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy));
  });
  return least;
}
function inside(p: Vec2, ring: readonly Vec2[]): boolean {
  let odd = false;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    if (a.y > p.y !== b.y > p.y && p.x < a.x + ((p.y - a.y) / (b.y - a.y)) * (b.x - a.x)) odd = !odd;
  });
  return odd;
}

const KERF = 0.4;

describe('a sheet on the simulated cutter', () => {
  for (const name of ['lampwarden-harness', 'lampwarden-arms']) {
    const report = reportOf(demo(name));
    report.packed.sheets.forEach((sheet, index) => {
      const operations = operationsOf(report, sheet, { kerfMm: KERF });
      const list = motionList(operations, { kerfMm: KERF, tabMm: 0 }, `${name}, sheet ${index + 1}`);
      const passes = replay(list, sheet);

      it(`${name}, sheet ${index + 1}: what falls out is every piece, within a tenth of a millimetre`, () => {
        const outer = passes.filter((p) => p.of.endsWith(': outer'));
        expect(outer).to.have.length(sheet.laid.length);
        const pieces = sheet.laid.map((laid) => {
          const piece = report.parts
            .find((p) => p.id === laid.partId)!
            .pieces.find((p) => p.id === laid.pieceId)!;
          return { outline: laidOutline(piece.outline, laid), area: piece.areaMm2 };
        });
        for (const { outline } of pieces) {
          const own = outer.reduce((best, pass) => {
            const far = (o: typeof pass): number => Math.max(...outline.map((p) => away(p, o.points)));
            return far(pass) < far(best) ? pass : best;
          }, outer[0]!);
          // The tool's middle runs half its kerf outside, all the way round.
          for (const p of own.points) {
            expect(inside(p, outline)).to.equal(false);
            expect(away(p, outline)).to.be.closeTo(KERF / 2, 0.1);
          }
          outline.forEach((p, i) => {
            const [a, b] = [outline.at(i - 1)!, outline[(i + 1) % outline.length]!];
            const turn = (q: Vec2): number => Math.atan2(q.y - p.y, q.x - p.x);
            const between = Math.abs(((turn(a) - turn(b) + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
            // Into a notch a round tool goes only so far as it is wide: (kerf/2)/sin of half its angle from the tip.
            const reach = KERF / 2 / Math.sin(Math.max(0.02, between / 2));
            expect(away(p, own.points)).to.be.within(KERF / 2 - 0.1, Math.max(KERF / 2, reach) + 0.1);
          });
        }
      });

      it(`${name}, sheet ${index + 1}: small pieces first, on each the outline last, the clock never back`, () => {
        const order = [...new Set(passes.map((p) => p.of.replace(/: \w+$/, '')))];
        for (const piece of order) {
          const own = passes.filter((p) => p.of.replace(/: \w+$/, '') === piece);
          const first = own.findIndex((p) => p.of.endsWith(': outer'));
          // Of several copies with one name each ends with its outline; of one, nothing follows it.
          expect(own.at(-1)!.of, piece).to.match(/: outer$/);
          if (operations.filter((o) => o.kind === 'outer' && o.piece === piece).length === 1)
            expect(
              own.slice(first).every((p) => p.of.endsWith(': outer')),
              piece,
            ).to.equal(true);
        }
        for (let i = 1; i < passes.length; i++)
          expect(passes[i]!.fromS).to.be.at.least(passes[i - 1]!.toS - 1e-9);
        const outers = operations.filter((o) => o.kind === 'outer');
        expect(outers.length).to.equal(sheet.laid.length);
        for (const o of operations)
          if (o.kind === 'mark') expect(passes.some((p) => p.of === `${o.piece}: mark`)).to.equal(true);
      });
    });
  }

  it('cuts what falls out of a piece half a kerf inside it, and the piece half a kerf outside', () => {
    const doc = demo('lampwarden-harness');
    const whole = reportOf(doc);
    let holes = 0;
    for (const at of whole.packed.sheets)
      for (const of of [0, 0.4]) {
        const rings = operationsOf(whole, at, { kerfMm: of }).filter((o) => o.kind === 'inner' && o.closed);
        const plain = operationsOf(whole, at, { kerfMm: 0 }).filter((o) => o.kind === 'inner' && o.closed);
        holes += rings.length;
        rings.forEach((ring, i) => {
          const r = (o: typeof ring): number => {
            const xs = o.points.map((p) => p.x);
            return Math.max(...xs) - Math.min(...xs);
          };
          expect(r(plain[i]!) - r(ring), ring.piece).to.be.closeTo(of, 0.05);
        });
      }
    expect(holes).to.be.greaterThan(4);
  });

  const report = reportOf(demo('lampwarden-bracers'));
  const sheet = report.packed.sheets[0]!;
  const operations = operationsOf(report, sheet, { kerfMm: 0 });

  it('leaves tabs standing that long, and nothing else uncut', () => {
    const long = (text: string): number =>
      replay(text, sheet)
        .filter((p) => p.of.endsWith(': outer'))
        .reduce(
          (sum, p) =>
            sum +
            p.points
              .slice(1)
              .reduce((mm, q, i) => mm + Math.hypot(q.x - p.points[i]!.x, q.y - p.points[i]!.y), 0),
          0,
        );
    const whole = motionList(operations, { kerfMm: 0, tabMm: 0 }, 'Bracers');
    const tabbed = motionList(operations, { kerfMm: 0, tabMm: 4 }, 'Bracers');
    const runs = replay(tabbed, sheet).filter((p) => p.of.endsWith(': outer')).length;
    expect(runs).to.be.greaterThan(sheet.laid.length);
    expect(long(whole) - long(tabbed)).to.be.closeTo(4 * runs, 0.5);
  });

  it('tells curves as arcs: far fewer moves than the outline has points', () => {
    const text = motionList(operations, { kerfMm: 0, tabMm: 0 }, 'Bracers');
    const points = operations.reduce((sum, o) => sum + o.points.length, 0);
    expect(text.match(/^G[23] /gm)!.length).to.be.greaterThan(10);
    expect(text.match(/^G[123] /gm)!.length).to.be.lessThan(points * 0.8);
  });

  it('refuses what no machine should do, naming the line', () => {
    const size = { widthMm: 100, heightMm: 100 };
    expect(() => replay('G1 X1 Y1 F100', size)).to.throw('Line 1').and.throw;
    expect(() => replay('G21 G90\nM3\nG0 X5 Y5', size)).to.throw(/Line 3.*rapid move with the tool on/);
    expect(() => replay('G21 G90\nG0 X500 Y5', size)).to.throw(/leaves the sheet/);
    expect(() => replay('G21 G90\nG81 X1', size)).to.throw(/G81 is not known/);
  });
});

describe('a kerf wider than the room between pieces', () => {
  it('is a stop, and its remedy makes sheets the cutter takes', () => {
    const wide = applyChanges(demo('lampwarden-bracers'), [
      { path: ['cut', 'kerfMm'], value: 3 },
      { path: ['cut', 'spacingMm'], value: 0 },
    ]);
    const reported = reportOf(wide).findings.find((f) => f.id === 'kerf')!;
    expect(reported.severity).to.equal('stop');
    const mended = applyChanges(wide, reported.remedies[0]!.changes);
    const after = reportOf(mended);
    expect(after.findings.some((f) => f.id === 'kerf')).to.equal(false);
    after.packed.sheets.forEach((sheet) => {
      const list = motionList(operationsOf(after, sheet, { kerfMm: 3 }), { kerfMm: 3, tabMm: 0 }, 'wide');
      expect(() => replay(list, sheet)).not.to.throw();
    });
    // Without the remedy the machine would run off the sheet.
    const [sheet] = reportOf(wide).packed.sheets;
    const off = motionList(
      operationsOf(reportOf(wide), sheet!, { kerfMm: 3 }),
      { kerfMm: 3, tabMm: 0 },
      'off',
    );
    expect(() => replay(off, sheet!)).to.throw(/leaves the sheet/);
  });
});

describe('the hand cutting sheet', () => {
  const report = reportOf(demo('lampwarden-harness'));
  const rows = handRows(report);

  it('has every template once, its straight and curved lengths the whole outline', () => {
    const pieces = report.parts.flatMap((p) => templatesOf(p.pieces));
    expect(rows).to.have.length(pieces.length);
    const outlines = pieces
      .map((p) =>
        p.outline.reduce(
          (mm, q, i) => mm + Math.hypot(q.x - p.outline.at(i - 1)!.x, q.y - p.outline.at(i - 1)!.y),
          0,
        ),
      )
      .sort((a, b) => a - b);
    const reported = rows.map((r) => r.straightMm + r.curvedMm).sort((a, b) => a - b);
    outlines.forEach((mm, i) => expect(reported[i]).to.be.closeTo(mm, Math.max(0.3, mm * 0.002)));
  });

  it('begins with a fresh blade, and takes another every twelve metres of 6 mm foam or sooner', () => {
    expect(rows[0]!.freshBlade).to.equal(true);
    const metres = rows.reduce(
      (sum, r) => sum + ((r.straightMm + r.curvedMm + r.insideMm) * r.times) / 1000,
      0,
    );
    expect(rows.filter((r) => r.freshBlade).length).to.be.at.least(Math.floor(metres / 12));
  });
});
