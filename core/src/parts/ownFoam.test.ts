import { expect } from 'chai';
import type { BuildDoc, Feature, Part } from '../document';
import { demo } from '../files/testing/demo';
import { catalogue, catalogueWith, foamSheet, type OwnFoam } from '../materials';
import { derive } from '../report';
import { firstOf } from '../units';
import { copiedPart, newBuild, newPart, standardKinds } from '.';

const mat: OwnFoam = {
  id: 'foam-harbour',
  name: 'harbour mat',
  kind: 'foam',
  colour: '#3c4042',
  densityKgM3: 80,
  modulusMPa: 2.5,
  neutralFraction: 0.42,
  texture: 'one',
  sizes: [
    { nominalMm: 12.7, widthMm: 610, heightMm: 610, price: 9 },
    { nominalMm: 7, widthMm: 1000, heightMm: 20_000, price: 80 },
  ],
};
const bracers = demo('lampwarden-bracers');
const inFoam = (foamId: string, nominalMm: number, change: Partial<BuildDoc> = {}): BuildDoc => ({
  ...bracers,
  foams: [mat],
  parts: bracers.parts.map((p): Part => ({ ...p, stack: [{ foamId, nominalMm }] })),
  ...change,
});

describe('a foam of one’s own', () => {
  it('is a sheet like any other, with what its maker found', () => {
    const { foams } = catalogueWith(catalogue, [mat]);
    const sheet = foamSheet(foams, [], mat.id, 12.7);
    expect(sheet).to.include({
      name: '12.7 mm harbour mat',
      widthMm: 610,
      heightMm: 610,
      sold: true,
      texture: 'one',
    });
    expect(sheet.neutralFraction).to.deep.equal({ value: 0.42, provenance: 'measured' });
    expect(sheet.price.value).to.equal(9);
    expect(catalogueWith(catalogue, undefined)).to.equal(catalogue);
  });

  it('is weighed, cut and priced as it is: mass by hand from the outlines that leave', () => {
    const report = derive(inFoam(mat.id, 7));
    const part = firstOf(report.parts);
    expect(part.checks.filter((c) => c.id.startsWith('unsold'))).to.deep.equal([]);
    const shell = part.pieces.filter((p) => p.foamId === mat.id);
    expect(shell.length).to.be.greaterThan(0);
    for (const p of shell) {
      const twice = p.outline.reduce((s, a, i) => {
        const b = p.outline[(i + 1) % p.outline.length]!;
        return s + a.x * b.y - b.x * a.y;
      }, 0);
      expect(p.areaMm2, p.id).to.be.closeTo(Math.abs(twice) / 2, 1);
      expect([p.densityKgM3, p.nominalMm]).to.deep.equal([80, 7]);
    }
    const roll = report.packed.sheets.find((s) => s.foamId === mat.id)!;
    expect([roll.widthMm, roll.heightMm]).to.deep.equal([1000, 20_000]);
    expect(report.cost.find((l) => l.what.includes('harbour mat'))!.each).to.equal(80);
  });

  it('its patterned face is said on the pieces, and sanded where it is glued on or seen', () => {
    const step = (doc: BuildDoc) => derive(doc).steps.find((s) => s.id.endsWith(':pattern'));
    const inside = derive(inFoam(mat.id, 7));
    expect(firstOf(inside.parts).pieces.find((p) => p.foamId === mat.id)!.note).to.include(
      'Patterned face inside',
    );
    // The bracers are lined, so the inside is sanded; as much as the lining covers, of both.
    const part = firstOf(inside.parts);
    const lining = part.pieces.filter((p) => p.role === 'lining').reduce((s, p) => s + p.areaMm2, 0);
    const shell = part.pieces.filter((p) => p.role === 'shell').reduce((s, p) => s + p.areaMm2, 0);
    const m2 = (2 * Math.min(lining, shell)) / 1e6;
    expect(step(inFoam(mat.id, 7))!.workMin).to.equal(Math.ceil(m2 / 0.02));
    const out = inFoam(mat.id, 7, {
      make: { ...bracers.make, habits: { ...bracers.make.habits, patterned: 'outside' } },
    });
    expect(step(out)!.detail).to.include('where it is seen');
    expect(step(bracers), 'smooth foam').to.equal(undefined);
  });

  it('goes with a part to another build, once', () => {
    const doc = inFoam(mat.id, 7);
    const into = newBuild('Other', '2026-01-01', { name: 'Anyone', underLayerMm: 0, measures: [] });
    expect(copiedPart(doc, firstOf(doc.parts), into, 'copy').foams).to.deep.equal([mat]);
    expect(copiedPart(doc, firstOf(doc.parts), { ...into, foams: [mat] }, 'copy').foams).to.deep.equal([]);
  });
});

describe('what a detail is cut from', () => {
  const kinds = [...standardKinds.features.values()].filter((k) => k.fields.some((f) => f.key === 'madeOf'));
  const doc = newBuild('Box', '2026-01-01', { name: 'Anyone', underLayerMm: 0, measures: [] });
  const withDetail = (form: string, kindId: string, params: Record<string, string | number>): BuildDoc => {
    const bare = newPart(form, doc.wearer, form);
    const kind = standardKinds.features.get(kindId)!;
    const made = firstOf(derive({ ...doc, parts: [bare] }).parts);
    const panel = firstOf(made.panels);
    const started = kind.start({
      panel: panel.id,
      edge: firstOf(firstOf(made.pieces).edges).id,
      at: { x: 0.5, y: 0.5 },
    });
    const feature: Feature = {
      id: 'one',
      kind: kindId,
      ...started,
      params: { ...started.params, ...params },
    };
    return { ...doc, foams: [mat], parts: [{ ...bare, features: [feature] }] };
  };

  const known = new Map<string, string[]>();
  /** The foams of the shell of a form with nothing on it. */
  const shellsOf = (form: string): string[] => {
    const foams =
      known.get(form) ??
      firstOf(derive({ ...doc, parts: [newPart(form, doc.wearer, form)] }).parts)
        .pieces.filter((q) => q.role === 'shell')
        .map((q) => q.foamId);
    known.set(form, foams);
    return foams;
  };

  it('is asked of every detail that is cut from foam of its own', () => {
    expect(kinds.map((k) => k.kind).sort()).to.deep.equal([
      'drawn-shape',
      'hang-plate',
      'hump',
      'insert-block',
      'lens',
      'light-box',
      'ornament',
      'overlay',
      'pad-strip',
      'pipe-bracket',
      'spacer',
      'strip',
      'trim',
      'wound-band',
    ]);
  });

  /** Foam holds no screw. */
  const startsAs: Record<string, string> = { 'hang-plate': 'pvc-board', 'pipe-bracket': 'pvc-board' };
  /** What it must be to be of foam at all. */
  const asFoam: Record<string, Record<string, string>> = { 'wound-band': { of: 'foam' } };

  for (const kind of kinds)
    it(`${kind.kind}: begins as the part’s foam, and every piece of it is cut from what is named`, () => {
      expect(kind.start({ panel: 'a', edge: 'b', at: { x: 0.5, y: 0.5 } }).params['madeOf']).to.equal(
        startsAs[kind.kind] ?? 'part',
      );
      let laid = 0;
      for (const form of ['bracer', 'box', 'lantern', 'satchel-box', 'grip'].filter((f) =>
        standardKinds.forms.has(f),
      ))
        for (const [madeOf, foamMm, name] of [
          ['pe-white', 5, '5 mm white polyethylene foam'],
          [mat.id, 7, '7 mm harbour mat'],
        ] as const) {
          const part = firstOf(
            derive(withDetail(form, kind.kind, { ...asFoam[kind.kind], madeOf, foamMm })).parts,
          );
          // The diffuser of a light box is a sheet of its own.
          const own = part.pieces.filter(
            (p) => p.featureId === 'one' && p.foamId === madeOf && p.nominalMm === foamMm,
          );
          laid += own.length;
          for (const p of own) expect(p.foamName).to.equal(name);
          // Its shell stays what it is.
          expect(part.pieces.filter((q) => q.role === 'shell').map((q) => q.foamId)).to.deep.equal(
            shellsOf(form),
          );
        }
      if (kind.places.some((p) => p !== 'room')) expect(laid, 'laid nowhere').to.be.greaterThan(0);
    });

  it('a thickness that its foam is not sold in is brought back by one press, and the part stays', () => {
    const build = withDetail('box', 'overlay', { madeOf: 'pe-white', foamMm: 4 });
    const part = firstOf(derive(build).parts);
    const check = part.checks.find((c) => c.id.startsWith('unsold-pe-white'))!;
    expect(check.title).to.include('4 mm white polyethylene foam');
    expect(firstOf(check.remedies)).to.deep.include({ label: '3 mm white polyethylene foam' });
  });
});
