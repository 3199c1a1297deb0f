import { expect } from 'chai';
import { derive } from '../build/derive';
import type { BuildDoc, Part } from '../build/document';
import { newBuild, newPart } from '../build/newBuild';
import { checkDoc } from '../build/schema';
import type { FormParams } from '../forms/contract';
import type { FormKindName } from '../forms/kinds';
import type { Measure } from '../body/measures';
import { applyChanges, type Finding } from './finding';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] as Measure[] };
const stout: Measure[] = [{ key: 'chestGirth', valueMm: 1240, source: 'tape', takenOn: '2026-03-02' }];

const buildOf = (...parts: [FormKindName, FormParams?][]): BuildDoc => ({
  ...newBuild('Fit', '2026-03-01', wearer),
  parts: parts.map(([form, change = {}], i) => {
    const part = newPart(`${form}-${i + 1}`, wearer, form);
    return { ...part, params: { ...part.params, ...change } } as Part;
  }),
});
const told = (doc: BuildDoc, id: string): Finding | undefined =>
  derive(doc).findings.find((f) => f.id.startsWith(id));

describe('what is told of fit', () => {
  it('says nothing of parts as they come', () => {
    const doc = buildOf(
      ['greave'],
      ['pauldron'],
      ['breastplate'],
      ['backplate'],
      ['belt'],
      ['helmet'],
      ['gorget'],
    );
    for (const id of ['presses', 'slack', 'moves']) expect(told(doc, id), id).to.equal(undefined);
  });

  it('tells of a shell that presses, in the wearer’s own millimetres, and padding cures it', () => {
    const doc = buildOf(['knee-cop', { paddingMm: 0 }]);
    // A knee far thicker than the cop was made for: the shape follows the knee, the thigh above it does not.
    const thick = {
      ...doc,
      wearer: {
        ...wearer,
        measures: [
          { key: 'thighGirth' as const, valueMm: 760, source: 'tape' as const, takenOn: '2026-03-02' },
          { key: 'kneeGirth' as const, valueMm: 380, source: 'tape' as const, takenOn: '2026-03-02' },
        ],
      },
    };
    const found = told(thick, 'presses')!;
    expect(found.title).to.match(/Knee cop: cop presses \d+ mm into the wearer/);
    const [, before] = /presses (\d+) mm/.exec(found.title)!;
    const after = told(applyChanges(thick, found.remedies[0]!.changes), 'presses');
    const left = after ? Number(/presses (\d+) mm/.exec(after.title)![1]) : 0;
    expect(left).to.be.lessThan(Number(before));
  });

  it('names both that stop a movement and offers to shorten either', () => {
    const doc = buildOf(['breastplate', { belowWaistMm: 30 }], ['belt', { atMm: -20 }]);
    const found = told(doc, 'moves-waist')!;
    expect(found.title).to.match(/Breastplate.*meets.*Belt/);
    expect(found.remedies.map((r) => r.label).join()).to.match(/Breastplate.*Belt/);
    expect(found.sure).to.equal('memory');
  });

  it('offers no cure that the form would refuse', () => {
    const doc = buildOf(['breastplate', { belowWaistMm: 160 }], ['belt', { atMm: -190 }]);
    const found = told(doc, 'moves-waist');
    const after = applyChanges(doc, found?.remedies.flatMap((r) => r.changes) ?? []);
    expect(checkDoc(after).ok).to.equal(true);
    expect(found?.remedies.some((r) => r.label.startsWith('Belt')) ?? false).to.equal(false);
  });

  it('leaves a bracer against the bare arm to the bracer’s own rule', () => {
    const doc = buildOf(['bracer', { endMm: 245, elbowCutMm: 0 } as never]);
    expect(told(doc, 'elbow:')).to.not.equal(undefined);
    expect(told(doc, 'moves-elbow')).to.equal(undefined);
  });

  it('notes the heat when much of the body is covered, and only then', () => {
    expect(told(buildOf(['greave']), 'heat')).to.equal(undefined);
    const all = buildOf(
      ['breastplate'],
      ['backplate'],
      ['helmet'],
      ['thigh'],
      ['greave'],
      ['pauldron'],
      ['belt'],
    );
    const note = told(all, 'heat')!;
    expect(note.severity).to.equal('note');
    expect(note.why).to.include('Take it off');
    const larger = { ...all, wearer: { ...wearer, measures: stout } };
    expect(derive(larger).fitting.covered).to.be.greaterThan(0.2);
  });
});
