import { expect } from 'chai';
import type { Measure, Wearer } from '../body';
import { applyChanges, type BuildDoc, type Params } from '../document';
import { checkDoc } from '../files/schema';
import { newBuild, newPart, standardKinds } from '../parts';
import { derive } from '../report';
import { sampled } from '../units/testing/sampled';
import type { Finding } from '../document';

const wearer: Wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
const tape = (key: Measure['key'], valueMm: number): Measure => ({
  key,
  valueMm,
  source: 'tape',
  takenOn: '2026-03-02',
});

const buildOf = (...parts: [string, Params?][]): BuildDoc => ({
  ...newBuild('Fit', '2026-03-01', wearer),
  parts: parts.map(([form, change = {}], i) => {
    const part = newPart(`${form}-${i + 1}`, wearer, form);
    return { ...part, params: { ...part.params, ...change } };
  }),
});
const reported = (doc: BuildDoc, id: string): Finding | undefined =>
  derive(doc).findings.find((f) => f.id.startsWith(id));

describe('what is reported of fit', function () {
  this.timeout(90_000);

  it('says nothing of parts as they come', () => {
    const doc = buildOf(
      ['greave'],
      ['pauldron'],
      ['breastplate'],
      ['backplate'],
      ['belt'],
      ['helmet'],
      ['gorget'],
      ['bracer'],
    );
    const said = derive(doc).findings.filter((f) =>
      ['presses', 'slack', 'moves'].some((id) => f.id.startsWith(id)),
    );
    expect(said.map((f) => f.title)).to.deep.equal([]);
  });

  it('says nothing of any form alone, as it comes', () => {
    const unwanted = ['presses', 'slack', 'moves', 'clash', 'long', 'bulge', 'gap'];
    for (const form of sampled([...standardKinds.forms.keys()], 16)) {
      const said = derive(buildOf([form])).findings.filter((f) => unwanted.some((id) => f.id.startsWith(id)));
      expect(
        said.map((f) => f.title),
        form,
      ).to.deep.equal([]);
    }
  });

  it('tells of a shell that presses, in the wearer’s own millimetres, and every cure lessens it', () => {
    // A knee far thicker than the cop was made for: the shape follows the knee, the thigh above it does not.
    const thick = {
      ...buildOf(['knee-cop', { paddingMm: 0 }]),
      wearer: { ...wearer, measures: [tape('thighGirth', 760), tape('kneeGirth', 380)] },
    };
    const found = reported(thick, 'presses')!;
    expect(found.title).to.match(/Knee cop: cop presses \d+ mm into the wearer/);
    expect(found.remedies).to.have.length.greaterThan(0);
    for (const remedy of found.remedies) {
      const left = reported(applyChanges(thick, remedy.changes), 'presses')?.excess ?? 0;
      expect(left, remedy.label).to.be.lessThan(found.excess);
    }
  });

  it('names both that stop a movement and offers to shorten either', () => {
    const doc = buildOf(['breastplate', { belowWaistMm: 30 }], ['belt', { atMm: -20 }]);
    const found = reported(doc, 'moves-waist')!;
    expect(found.title).to.match(/Breastplate.*meets.*Belt/);
    expect(found.remedies.map((r) => r.label).join()).to.match(/Breastplate.*Belt/);
    expect(found.provenance).to.equal('memory');
    for (const remedy of found.remedies) {
      const left = reported(applyChanges(doc, remedy.changes), 'moves-waist')?.excess ?? 0;
      expect(left, remedy.label).to.be.lessThan(found.excess);
    }
  });

  it('offers no cure that the form would refuse', () => {
    const doc = buildOf(['breastplate', { belowWaistMm: 160 }], ['belt', { atMm: -190 }]);
    const found = reported(doc, 'moves-waist');
    for (const remedy of found?.remedies ?? [])
      expect(checkDoc(applyChanges(doc, remedy.changes)).ok, remedy.label).to.equal(true);
    expect(found?.remedies.some((r) => r.label.startsWith('Belt')) ?? false).to.equal(false);
  });

  it('tells once of a bracer that the bare upper arm meets', () => {
    const doc = buildOf(['bracer', { endMm: 245, elbowCutMm: 0 }]);
    const found = reported(doc, 'moves-elbow')!;
    expect(found.title).to.match(/bracer/i);
    expect(derive(doc).findings.filter((f) => /elbow/.test(f.id))).to.have.length(1);
  });

  it('notes the heat when much of the body is covered, and only then', () => {
    expect(reported(buildOf(['greave']), 'heat')).to.equal(undefined);
    const all = buildOf(
      ['breastplate'],
      ['backplate'],
      ['helmet'],
      ['thigh'],
      ['greave'],
      ['pauldron'],
      ['belt'],
    );
    const note = reported(all, 'heat')!;
    expect(note.severity).to.equal('note');
    expect(note.why).to.include('Take it off');
    const larger = { ...all, wearer: { ...wearer, measures: [tape('chestGirth', 1240)] } };
    expect(derive(larger).fitting.covered).to.be.greaterThan(0.2);
  });
});
