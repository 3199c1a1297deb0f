import { expect } from 'chai';
import { standardKinds } from '../parts';
import { newBuild } from '../parts';
import { decisiveMeasures, derive } from '../report';
import { partsOfSet, propsOnly, readySets } from '.';

const wearers = [
  { name: 'Anyone', underLayerMm: 2, measures: [] },
  {
    name: 'Someone small',
    underLayerMm: 3,
    measures: [{ key: 'stature' as const, valueMm: 1480, source: 'tape' as const, takenOn: '2026-03-01' }],
  },
  {
    name: 'Someone tall',
    underLayerMm: 3,
    measures: [{ key: 'stature' as const, valueMm: 1950, source: 'tape' as const, takenOn: '2026-03-01' }],
  },
];

describe('ready sets', () => {
  it('have names of their own, and parts of forms there are', () => {
    expect(new Set(readySets.map((s) => s.key)).size).to.equal(readySets.length);
    for (const { parts } of readySets)
      for (const { form } of parts) expect(standardKinds.forms.has(form), form).to.equal(true);
  });

  for (const set of readySets)
    it(`${set.label}: begins without a stop, and warns of nothing but measures that are estimated and of what was bought`, () => {
      for (const wearer of wearers) {
        const parts = partsOfSet(set, wearer);
        const { findings } = derive({ ...newBuild('One', '2026-03-01', wearer), parts }, { untried: true });
        // What is begun is made to someone of middling build; for others it may warn, and never stops.
        const heard = (severity: string): boolean =>
          severity === 'stop' || (severity === 'mind' && wearer === wearers[0]);
        const said = findings
          .filter((f) => heard(f.severity) && !/^(estimates|guards|loose-fit)\b/.test(f.id))
          .map((f) => `${f.severity} ${f.title}`);
        expect(said, wearer.name).to.deep.equal([]);
        for (const { mount } of parts)
          if (mount.to === 'part')
            expect(
              parts.some((p) => p.id === mount.part),
              set.key,
            ).to.equal(true);
      }
    });

  it('ask for the measures their parts depend on, and props for none round the body', () => {
    const asked = (key: string): string[] => {
      const set = readySets.find((s) => s.key === key)!;
      return decisiveMeasures({
        ...newBuild('One', '2026-03-01', wearers[0]!),
        parts: partsOfSet(set, wearers[0]!),
      });
    };
    expect(asked('helmet')).to.include('headGirth').and.to.include('neckGirth').and.not.include('chestGirth');
    expect(asked('harness')).to.include('chestGirth').and.to.include('calfGirth');
    expect(asked('blaster')).to.deep.equal([]);
  });

  it('begin at the tape when something of them is worn', () => {
    const props = readySets.filter((s) => propsOnly(partsOfSet(s, wearers[0]!))).map((s) => s.key);
    expect(props.sort()).to.deep.equal(['blade', 'blaster', 'mace', 'staff', 'wand']);
  });
});
