import { expect } from 'chai';
import { newBuild, newPart, standardKinds } from '../parts';
import { applyChanges } from './change';
import { changeName, type Labels } from './changeName';
import type { BuildDoc } from './document';

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
const [first, second] = [newPart('a', wearer, 'bracer'), newPart('b', wearer, 'helmet')];
const doc: BuildDoc = {
  ...newBuild('Quay', '2026-03-01', wearer),
  parts: [{ ...first, name: 'Kelp bracer' }],
};
const fieldOf = (fields: readonly { key: string; label: string }[] | undefined, key: string): string =>
  fields?.find((f) => f.key === key)?.label ?? key;
const labels: Labels = {
  field: (form, key) => fieldOf(standardKinds.forms.get(form)?.fields, key),
  feature: (kind) => standardKinds.features.get(kind)?.label ?? kind,
  featureField: (kind, key) => fieldOf(standardKinds.features.get(kind)?.fields, key),
};
const named = (...changes: Parameters<typeof applyChanges>[1]): string =>
  changeName(doc, applyChanges(doc, changes), labels);

describe('a step of undo', () => {
  it('is named by the value that changed, in the words of its field', () => {
    expect(named({ path: ['parts', 0, 'params', 'gapMm'], value: 31 })).to.equal('Kelp bracer: gap');
    expect(named({ path: ['parts', 0, 'stack', 0, 'nominalMm'], value: 9 })).to.equal('Kelp bracer: foam');
    expect(named({ path: ['parts', 0, 'printed'], value: true })).to.equal('Kelp bracer: how it is made');
    expect(named({ path: ['brief', 'budget'], value: 91 })).to.equal('brief');
  });

  it('says what came and what went', () => {
    expect(named({ path: ['parts'], value: [...doc.parts, { ...second, name: 'Harbour helm' }] })).to.equal(
      'add Harbour helm',
    );
    expect(named({ path: ['parts'], value: [] })).to.equal('remove Kelp bracer');
    const hole = {
      id: 'h',
      kind: 'hole',
      place: { on: 'panel', panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 },
      params: { diameterMm: 10, count: 1, ringMm: 40 },
    };
    expect(named({ path: ['parts', 0, 'features'], value: [hole] })).to.match(/^Kelp bracer: add \w/);
    const holed = applyChanges(doc, [{ path: ['parts', 0, 'features'], value: [hole] }]);
    const noted = applyChanges(holed, [{ path: ['parts', 0, 'features', 0, 'note'], value: 'glued' }]);
    expect(changeName(holed, noted, labels)).to.equal('Kelp bracer: hole, note');
  });

  it('names a measure that was taken, and stays short when much changed at once', () => {
    const reading = { key: 'wristGirth', valueMm: 171, source: 'tape', takenOn: '2026-03-02' };
    expect(named({ path: ['wearer', 'measures'], value: [reading] })).to.equal('wrist girth');
    const many = ['gapMm', 'easeMm', 'startMm', 'endMm'].map((key) => ({
      path: ['parts', 0, 'params', key],
      value: 33,
    }));
    expect(named(...many)).to.match(/^Kelp bracer: .+, .+ and 2 more$/);
  });
});
