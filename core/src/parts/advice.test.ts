import { expect } from 'chai';
import type { Measure } from '../body';
import { applyChanges, type BuildDoc, type Feature } from '../document';
import { derive } from '../report';
import { sampled } from '../units/testing/sampled';
import type { Advice } from './advice';
import { standardKinds } from './kinds';
import { newBuild, newPart } from './newPart';

const buildWith = (features: Feature[], measures: Measure[] = []): BuildDoc => {
  const wearer = { name: 'Tamsin', underLayerMm: 3, measures };
  return {
    ...newBuild('Trim', '2026-03-01', wearer),
    parts: [{ ...newPart('cuff', wearer, 'cuff'), features }],
  };
};
/** What is said of features; what is said of whole parts carries the part's id alone. */
const advice = (doc: BuildDoc): Advice[] => derive(doc).advice.filter((a) => a.id !== a.partId);
const trim = (nominalMm: number, panel = 'a'): Feature => ({
  id: 't',
  kind: 'trim',
  place: { on: 'edges', runs: [{ panel, edge: 'bottom' }] },
  params: { widthMm: 15, foamMm: nominalMm, look: 'square' },
});

describe('foam of trim and layers', () => {
  it('leaves thin trim alone, and thins what is thicker than bands usually are (common practice, no source)', () => {
    expect(advice(buildWith([trim(2)]))).to.deep.equal([]);
    const [thick] = advice(buildWith([trim(8)]));
    expect(thick!.toMm).to.equal(5);
    expect(thick!.name).to.match(/trim/);
  });

  it('thins a layer that cannot be formed over the tightest bend, and is content once it is taken', () => {
    const child: Measure[] = [{ key: 'stature', valueMm: 1150, source: 'tape', takenOn: '2026-03-01' }];
    const layer: Feature = {
      id: 'l',
      kind: 'overlay',
      place: { on: 'panel', panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 },
      params: { insetMm: 15, foamMm: 12, lapMm: 0 },
    };
    const doc = buildWith([layer], child);
    const [found] = advice(doc);
    expect(found!.reasons.join()).to.match(/\d+ % over the tightest bend/);
    expect(advice(applyChanges(doc, [found!.change]))).to.deep.equal([]);
  });

  it('says nothing of features whose panel is gone', () => {
    expect(advice(buildWith([trim(8, 'gone')]))).to.deep.equal([]);
  });
});

describe('the thickness trial', () => {
  it('tells of each thickness exactly what deriving with it does, for every form', function () {
    this.timeout(600_000);
    // Of what is held, one of discs and one of bands stand for the rest.
    const tried = [...standardKinds.forms.values()].filter(
      (f) => f.zones.length > 0 || ['turned', 'lantern'].includes(f.kind),
    );
    for (const { kind: form } of sampled(tried, 5)) {
      const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
      const doc = { ...newBuild('Trial', '2026-03-01', wearer), parts: [newPart('p', wearer, form)] };
      const rows = derive(doc).parts[0]!.trial;
      // The thinnest, the thickest and one between stand for the rest.
      for (const row of new Set([0, rows.length >> 1, rows.length - 1].flatMap((i) => rows[i] ?? []))) {
        const part = derive(
          applyChanges(doc, [{ path: ['parts', 0, 'stack', 0, 'nominalMm'], value: row.nominalMm }]),
        ).parts[0]!;
        const what = `${form} in ${row.nominalMm} mm`;
        expect(row.bendStrain, what).to.be.closeTo(part.bendStrain, 1e-9);
        expect(row.girthMm, what).to.be.closeTo(part.girthMm, 1e-6);
        // The flat is stretched a little; the trial measures the surface itself.
        expect(row.areaMm2, what).to.be.closeTo(part.areaMm2, part.areaMm2 * 0.05);
        expect(row.massG, what).to.be.closeTo(part.foamG, part.foamG * 0.05);
        const tightest = Math.min(...part.clearances.map((p) => p.openingMm - p.needMm));
        expect(row.passes, what).to.equal(part.clearances.length === 0 || tightest >= 0);
      }
    }
  });

  it('keeps the thickness of pieces that have their own', () => {
    const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
    const part = newPart('p', wearer, 'gorget');
    const rows = (foamMm: number) =>
      derive({
        ...newBuild('Trial', '2026-03-01', wearer),
        parts: [
          {
            ...part,
            params: {
              ...part.params,
              tiers: (part.params['tiers'] as { foamMm: number }[]).map((t) => ({ ...t, foamMm })),
            },
          },
        ],
      }).parts[0]!.trial;
    const [plain, own] = [rows(0), rows(4)];
    expect(plain.at(-1)!.massG).to.be.greaterThan(plain[0]!.massG * 2);
    expect(own.at(-1)!.massG).to.be.closeTo(own[0]!.massG, 1e-6);
  });

  it('holds weight against an arm, bulk against a cuff, and says so', () => {
    const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
    const part = newPart('p', wearer, 'bracer');
    const stock = [{ foamId: 'dense-eva', nominalMm: 30, sheets: 2 }];
    const doc: BuildDoc = {
      ...newBuild('Trial', '2026-03-01', wearer),
      stock,
      parts: [
        {
          ...part,
          params: { ...part.params, easeMm: 60, paddingMm: 15, endMm: 240 },
          stack: [{ foamId: 'dense-eva', nominalMm: 6 }],
        },
      ],
    };
    const rows = derive(doc).parts[0]!.trial;
    const thick = rows.find((r) => r.nominalMm === 30)!;
    expect(thick.massG).to.be.greaterThan(300);
    expect(thick.reasons.join()).to.match(/heavy for an arm at \d+ g/);
    expect(rows.find((r) => r.nominalMm === 10)!.reasons.join()).to.include('bulky');
    expect(rows.find((r) => r.nominalMm === 6)!.reasons.join()).to.not.match(/heavy|bulky/);
    expect(thick.inStock).to.equal(2);
    const opening = (r: (typeof rows)[number]): number => r.openingMm!;
    // Springing thick foam as far would crack it: the opening shrinks.
    expect(opening(thick)).to.be.lessThan(opening(rows.find((r) => r.nominalMm === 4)!));
  });
});
