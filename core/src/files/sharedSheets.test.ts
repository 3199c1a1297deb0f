import { expect } from 'chai';
import polygonClipping from 'polygon-clipping';
import { readDxf } from '../checked/ruler/readDrawing';
import type { BuildDoc } from '../document';
import type { OwnFoam } from '../materials';
import { newBuild, newPart } from '../parts';
import { adultMeasures } from '../parts/testing/worn.test';
import { derive } from '../report';
import { sharedSheets } from './sharedSheets';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
const buildOf = (name: string, ...forms: string[]): BuildDoc => ({
  ...newBuild(name, '2026-03-02', wearer),
  parts: forms.map((form, i) => newPart(`p${i}`, wearer, form)),
});
// Each takes a corner of a sheet.
const one = buildOf('One', 'cuff');
const two = buildOf('Two', 'cuff');
const three = buildOf('Three', 'guard', 'bracer');
const all = [one, two, three].map((doc, i) => ({ id: `b${i}`, doc }));

describe('several builds on the same sheets', () => {
  const found = sharedSheets(all);
  const alone = all.map(({ doc }) => derive(doc, { untried: true }));

  it('want no more sheets of any foam than one by one, and fewer where each left most of one', () => {
    for (const { foamId, nominalMm, alone: told, together } of found.saved) {
      const counted = alone
        .flatMap((r) => r.packed.sheets)
        .filter((s) => !s.offcut && s.foamId === foamId && s.nominalMm === nominalMm).length;
      expect(told, foamId).to.equal(counted);
      expect(together, foamId).to.be.at.most(told);
    }
    expect(found.saved.some((s) => s.together < s.alone)).to.equal(true);
    expect(found.tooBig).to.equal(0);
  });

  it('say what the sheets saved cost, in the currency of the builds, and no sum where they count in several', () => {
    const saved = found.saved.flatMap((s) => Array<number>(s.alone - s.together).fill(s.each));
    expect(saved.length).to.be.greaterThan(0);
    expect(found.lessToPay).to.deep.equal({ amount: saved.reduce((a, b) => a + b, 0), currency: 'EUR' });
    const abroad = { ...two, brief: { ...two.brief, currency: 'GBP' as const } };
    const mixed = sharedSheets([
      { id: 'b0', doc: one },
      { id: 'b1', doc: abroad },
    ]);
    expect(mixed.lessToPay).to.equal(undefined);
  });

  it('knows a foam of one’s own by the build it is of', () => {
    const mat: OwnFoam = {
      id: 'foam-quay',
      name: 'quay mat',
      kind: 'foam',
      colour: '#444444',
      densityKgM3: 80,
      modulusMPa: 2,
      neutralFraction: 0.5,
      texture: 'none',
      sizes: [{ nominalMm: 9, widthMm: 900, heightMm: 900, price: 13 }],
    };
    const of = (doc: BuildDoc): BuildDoc => ({
      ...doc,
      foams: [mat],
      parts: doc.parts.map((p) => ({ ...p, stack: [{ foamId: mat.id, nominalMm: 9 }] })),
    });
    const { saved, sheets } = sharedSheets([
      { id: 'a', doc: of(one) },
      { id: 'b', doc: of(two) },
    ]);
    expect(saved.map((s) => [s.name, s.alone, s.together, s.each])).to.deep.include([
      '9 mm quay mat',
      2,
      1,
      13,
    ]);
    expect(sheets[0]!.name).to.include('quay mat, 900');
  });

  it('hold every piece of every build once', () => {
    const onSheets = found.sheets.flatMap((s) => s.holds);
    for (const [i, { doc }] of all.entries()) {
      const pieces = alone[i]!.parts.reduce((n, p) => n + p.pieces.reduce((m, q) => m + q.quantity, 0), 0);
      const told = onSheets
        .filter((h) => h.startsWith(`${doc.name}: `))
        .reduce((n, h) => n + Number(/(\d+) piece/.exec(h)![1]), 0);
      expect(told, doc.name).to.equal(pieces);
    }
  });

  it('leave in files whose outlines lie apart, as an independent clipper has it', () => {
    for (const { dxf, name } of found.sheets) {
      const outlines = readDxf(dxf)
        .lines.filter((l) => l.closed && l.layer === 'cut')
        .map((l) => [l.points.map((p): [number, number] => [p.x, p.y])]);
      expect(outlines.length, name).to.be.greaterThan(0);
      outlines.forEach((a, i) =>
        outlines.slice(i + 1).forEach((b) => {
          const area = polygonClipping
            .intersection([a], [b])
            .flat()
            .reduce(
              (sum, ring) =>
                sum +
                Math.abs(
                  ring.reduce((s, [x, y], k) => {
                    const [p, q] = ring[(k + 1) % ring.length]!;
                    return s + (x * q - p * y) / 2;
                  }, 0),
                ),
              0,
            );
          expect(area, name).to.be.lessThan(0.01);
        }),
      );
    }
  });
});
