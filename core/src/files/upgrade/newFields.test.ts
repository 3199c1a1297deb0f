import { expect } from 'chai';
import { newBuild, newPart, standardKinds } from '../../parts';
import { readBuildFile, upgradeDoc } from '../buildFile';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };

describe('a document from before a field', () => {
  for (const form of standardKinds.forms.values())
    it(`${form.kind}: opens whichever field is missing, as a new part begins with it`, () => {
      const part = newPart('one', wearer, form.kind);
      const doc = { ...newBuild('Old', '2026-03-01', wearer), parts: [part] };
      for (const { key } of form.fields) {
        const { [key]: gone, ...rest } = part.params;
        const read = upgradeDoc({ ...doc, parts: [{ ...part, params: rest }] });
        if (!read.ok) throw new Error(`${key}: ${read.message}`);
        expect(read.value.parts[0]!.params[key], key).to.deep.equal(gone);
      }
    });

  it('fills what is missing of a detail too, and nothing that is there', () => {
    const hole = {
      id: 'h',
      kind: 'hole',
      place: { on: 'panel', panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 },
      params: {},
    };
    const part = { ...newPart('one', wearer, 'greave'), features: [hole] };
    const read = upgradeDoc({ ...newBuild('Old', '2026-03-01', wearer), parts: [part] });
    expect(read.ok && read.value.parts[0]!.features[0]!.params).to.deep.equal({
      diameterMm: 10,
      count: 1,
      ringMm: 40,
    });
    const wrong = upgradeDoc({
      ...newBuild('Old', '2026-03-01', wearer),
      parts: [{ ...part, features: [{ ...hole, params: { diameterMm: -4 } }] }],
    });
    expect(!wrong.ok && wrong.message).to.match(/diameterMm/);
  });

  it('takes habits it did not have as every shop begins', () => {
    const doc = newBuild('Old', '2026-03-01', wearer);
    const { bevel, sawKerfMm, ...before } = doc.make.habits;
    const read = upgradeDoc({ ...doc, make: { ...doc.make, habits: before } });
    expect(read.ok && read.value.make.habits).to.deep.equal({ ...before, bevel, sawKerfMm });
    const wrong = upgradeDoc({ ...doc, make: { ...doc.make, habits: { ...before, sawKerfMm: 40 } } });
    expect(!wrong.ok && wrong.message).to.match(/sawKerfMm/);
  });

  it('still says what else is wrong: no version, pins that are no list', () => {
    const build = newBuild('Old', '2026-03-01', wearer);
    for (const file of [
      { build, pins: [], log: [] },
      { fomrik: 2, build, pins: 'none', log: [] },
      { fomrik: 2, build: { ...build, parts: 'none' }, pins: [], log: [] },
    ])
      expect(readBuildFile(JSON.stringify(file)).ok).to.equal(false);
    expect(readBuildFile(JSON.stringify({ fomrik: 2, build, pins: [], log: [] })).ok).to.equal(true);
  });
});
