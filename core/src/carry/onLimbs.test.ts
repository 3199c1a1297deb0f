import { expect } from 'chai';
import fc from 'fast-check';
import type { BuildDoc, Part } from '../document';
import { newBuild, newPart } from '../parts';
import { reportOf } from '../report/testing/reportOf';
import { holdingN } from './onLimbs';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
const build = (...parts: Part[]): BuildDoc => ({ ...newBuild('T', '2026-03-01', wearer), parts });
const shell = (form: string, closure: string): Part => {
  const made = newPart(form, wearer, form);
  return { ...made, params: { ...made.params, closure } };
};
const G = 9.80665;

describe('how straps hold what is worn on arms and legs', () => {
  it('is by the friction of a loop drawn tight: summed over its way, μ·T/r holds twice the weight', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 30, noNaN: true }),
        fc.integer({ min: 1, max: 4 }),
        (weightN, straps) => {
          const pull = holdingN(weightN, straps);
          // Along the loop in small steps: what each presses with, by the turn of the pull over it.
          const steps = 3600;
          let pressed = 0;
          for (let i = 0; i < steps; i++) pressed += 2 * pull * Math.sin(Math.PI / steps);
          expect((straps * 0.3 * pressed) / (2 * weightN)).to.be.closeTo(1, 1e-5);
        },
      ),
    );
  });

  it('counts the straps that shut it, their width and all that hangs on it', () => {
    const report = reportOf(build(shell('bracer', 'elastic')));
    const [limb] = report.onLimbs;
    const [part] = report.parts;
    const count = report.fitting.straps.reduce((sum, s) => sum + s.count, 0) / part!.copies;
    expect(limb!.straps).to.equal(count);
    expect(limb!.massG).to.be.closeTo(part!.weight.massG, 1e-9);
    expect(limb!.wideMm).to.equal(20);
    const pull = (2 * (limb!.massG / 1000) * G) / (2 * Math.PI * 0.3 * count);
    expect(limb!.pullN).to.be.closeTo(pull, 1e-9);
    expect(limb!.kPa).to.be.closeTo((pull * 1000) / ((part!.girthMm / (2 * Math.PI)) * 20), 1e-9);
    const lantern = newPart('lantern', wearer, 'lantern', undefined, 'bracer');
    const heavier = reportOf(build(shell('bracer', 'elastic'), lantern));
    const own = heavier.parts.reduce((sum, p) => sum + p.weight.massG, 0);
    expect(heavier.onLimbs.find((l) => l.partId === 'bracer')!.massG).to.be.closeTo(own, 1e-6);
  });

  it('says nothing of what is laced, of what is on the trunk, and warns where straps would cut in', () => {
    expect(reportOf(build(shell('bracer', 'lacing'))).onLimbs).to.deep.equal([]);
    expect(reportOf(build(shell('breastplate', 'buckle'))).onLimbs).to.deep.equal([]);
    const finding = (doc: BuildDoc) => reportOf(doc).findings.find((f) => f.id === 'slides:bracer');
    expect(finding(build(shell('bracer', 'elastic')))).to.equal(undefined);
    const stone = newPart('donor', wearer, 'donor', undefined, 'bracer');
    const { mount } = newPart('lantern', wearer, 'lantern', undefined, 'bracer');
    const laden = build(shell('bracer', 'elastic'), {
      ...stone,
      mount,
      params: { ...stone.params, massG: 3000 },
    });
    expect(finding(laden)?.title).to.match(/slide down/);
  });
});
