import { expect } from 'chai';
import type { Part } from '../document';
import { newBuild, newPart, standardKinds } from '../parts';
import { derive } from '../report';
import { breathPaOf, insideLines } from '.';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
const part = (form: string, params: Part['params'] = {}): Part => {
  const made = newPart('it', wearer, form);
  return { ...made, params: { ...made.params, ...params } };
};
const reported = (one: Part) =>
  derive({ ...newBuild('T', '2026-03-01', wearer), parts: [one] }, { untried: true });
const inside = (form: string, params: Part['params'] = {}) => reported(part(form, params)).insideHead[0]!;

describe('breathing, hearing and glasses', () => {
  it('pulls through a hole what an orifice plate is given in handbooks', () => {
    // Q = C·A·√(2Δp/ρ): 0.6 × 400 mm² × √(2 × 10.4 Pa / 1.2) is one litre in a second.
    const pa = breathPaOf(400);
    expect(0.6 * 400e-6 * Math.sqrt((2 * pa) / 1.2)).to.be.closeTo(1e-3, 1e-12);
    expect(pa).to.be.closeTo(10.42, 0.01);
    // Half the opening, four times the pull.
    expect(breathPaOf(200) / pa).to.be.closeTo(4, 1e-9);
  });

  it('counts the holes of a mask, and stops where there is none', () => {
    const mask = inside('half-mask');
    expect(mask.airMm2).to.be.closeTo(4 * Math.PI * 4.5 ** 2, 1e-6);
    const shut = reported(part('half-mask', { breath: 'none' }));
    expect(shut.insideHead[0]!.airMm2).to.equal(0);
    expect(insideLines(shut.insideHead[0]!)[0]).to.include('no way in');
    expect(shut.findings.some((f) => f.severity === 'stop')).to.equal(true);
    const one: Part = {
      ...part('half-mask', { breath: 'none' }),
      features: [
        {
          id: 'hole',
          kind: 'hole',
          place: { on: 'panel', panel: 'a', u: 0.4, v: 0.5, turnDeg: 0 },
          params: { diameterMm: 9, count: 1, ringMm: 40 },
        },
      ],
    };
    const { insideHead, findings } = reported(one);
    expect(insideHead[0]!.airMm2).to.be.closeTo(Math.PI * 4.5 ** 2, 1e-6);
    const found = findings.find((f) => f.id === 'air:it')!;
    expect([found.severity, found.title]).to.deep.equal([
      'stop',
      'Half mask: 0.6 cm² are open for air: a deep breath pulls 412 Pa.',
    ]);
  });

  it('counts only what nothing closes: a hole and an opening, but no lens, lamp or hose', () => {
    const shut = part('half-mask', { breath: 'none' });
    const start = (kind: string) =>
      standardKinds.features.get(kind)!.start({ panel: 'a', edge: 'top', at: { x: 0.5, y: 0.5 } });
    const airOf = (kind: string, params: Part['params'] = {}): number => {
      const begun = start(kind);
      const feature = { id: 'one', kind, ...begun, params: { ...begun.params, ...params } };
      const report = reported({ ...shut, features: [feature] });
      expect(
        report.parts[0]!.checks.some((c) => c.id === 'feature-one'),
        kind,
      ).to.equal(false);
      return report.insideHead[0]!.airMm2;
    };
    expect(airOf('hole', { diameterMm: 10 })).to.be.closeTo(25 * Math.PI, 1e-6);
    expect(airOf('opening', { widthMm: 6, lengthMm: 20, ends: 'square' })).to.be.closeTo(120, 1);
    expect(airOf('lens', { acrossMm: 20 })).to.equal(0);
    expect(airOf('lamps')).to.equal(0);
    expect(airOf('hose', { outsideMm: 6 })).to.equal(0);
  });

  it('does not take foam that presses into the skin for none', () => {
    // Ten millimetres inside the face: met from within, and neither free to breathe nor room for glasses.
    const pressing = inside('half-mask', { paddingMm: -10, breath: 'none' });
    expect(pressing.seat.cheeks!).to.be.lessThan(0);
    expect(pressing.breathPa).to.not.equal(undefined);
    expect(insideLines(pressing)[0]).to.include('no way in');
  });

  it('leaves mouth and ears free under a hat, an ear under a mask, and tells holes for ears', () => {
    const hat = inside('donor-helmet');
    expect([hat.breathPa, hat.hearShare, hat.glassesMm]).to.deep.equal([undefined, 1, undefined]);
    expect(inside('half-mask').hearShare).to.equal(1);
    expect(inside('helmet', { ears: 'open' }).earHoles).to.equal(true);
    const deaf = inside('helmet', { ears: 'covered' });
    expect([deaf.earHoles, deaf.hearShare]).to.deep.equal([false, 0]);
    expect(insideLines(deaf)[1]).to.include('both ears are covered');
  });

  it('tells where a mask bears: nearer where its padding is less, and first where it is nearest', () => {
    const [thin, thick] = [inside('half-mask', { paddingMm: 4 }), inside('half-mask', { paddingMm: 12 })];
    expect(thick.seat.cheeks! - thin.seat.cheeks!).to.be.within(7, 10);
    expect(thin.seat.brow).to.equal(undefined);
    const words = insideLines(thin).find((l) => l.startsWith('Seat'))!;
    const nearest = thin.seat.nose! < thin.seat.cheeks! ? 'nose' : 'cheeks';
    expect(words).to.match(new RegExp(`bears first on the .*${nearest}`));
    expect(insideLines(inside('donor-helmet')).some((l) => l.startsWith('Seat'))).to.equal(false);
  });

  it('has room for glasses as far as the foam stands off', () => {
    const near = inside('helmet').glassesMm!;
    const far = inside('helmet', { paddingMm: 30 }).glassesMm!;
    expect(far - near).to.be.within(14, 22);
    expect(insideLines(inside('helmet'))[2]).to.match(/contact lenses/);
  });
});
