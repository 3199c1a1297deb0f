import { expect } from 'chai';
import { length, type Lift } from '../../document';
import { newBuild, newPart, standardKinds } from '../../parts';
import { kindsOf } from '../../parts/kinds';
import { derive } from '../../report';
import { armlet, dot } from '../../report/testing/probe';
import { checkDoc } from '../schema';
import { withNewFields } from './newFields';

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };

/** The armlet as it is after some years: one value has another name and unit, one is gone, one has a narrower range. */
const lifts: Lift[] = [{ was: 'upCm', now: 'atMm', as: (cm) => Number(cm) * 10 }, { was: 'lacquer' }];
const later = {
  ...armlet,
  lifts,
  fields: armlet.fields.map((f) =>
    f.key === 'heightMm'
      ? length('heightMm', 'Height', [30, 80], 'From lower to upper edge.', 'Form', { before: [20, 120] })
      : f,
  ),
};
const laterDot = {
  ...dot,
  lifts: [{ was: 'wide', now: 'acrossMm' }],
};
const kinds = kindsOf(
  [...standardKinds.forms.values(), later],
  [...standardKinds.features.values(), laterDot],
);

const fixture = (params: object, dotParams: object = { acrossMm: 12 }): Record<string, unknown> => ({
  ...newBuild('Old', '2026-03-01', wearer),
  parts: [
    {
      ...newPart('a', wearer, 'armlet', kinds),
      params: { roomMm: 10, stretchPct: 8, darts: 2, ...params },
      features: [
        {
          id: 'd',
          kind: 'dot',
          place: { on: 'panel', panel: 'ring', u: 0.5, v: 0.5, turnDeg: 0 },
          params: dotParams,
        },
      ],
    },
  ],
});
const opened = (doc: Record<string, unknown>) => checkDoc(withNewFields(doc, kinds), kinds);

describe('a file from before a kind changed', () => {
  it('has values under their names of today, and loses those that are gone', () => {
    const read = opened(fixture({ upCm: 9.5, heightMm: 50, lacquer: 'gloss' }, { wide: 14 }));
    if (!read.ok) throw new Error(read.message);
    expect(read.value.parts[0]!.params)
      .to.include({ atMm: 95, heightMm: 50 })
      .and.to.not.have.any.keys('upCm', 'lacquer');
    expect(read.value.parts[0]!.features[0]!.params).to.deep.equal({ acrossMm: 14 });
    expect(read.value.broughtIn).to.equal(undefined);
  });

  it('has what a narrower range no longer allows at the nearest that it does, and says so until it is dismissed', () => {
    const read = opened(fixture({ atMm: 90, heightMm: 110 }));
    if (!read.ok) throw new Error(read.message);
    expect(read.value.parts[0]!.params['heightMm']).to.equal(80);
    const said = derive(read.value, { kinds }).findings.find((f) => f.id === 'brought-in')!;
    expect(said.title).to.match(/^1 value of this file lay outside/);
    expect(said.why).to.include('Height: 110 mm is now 80 mm');
    const [dismiss] = said.remedies;
    expect(dismiss!.changes).to.deep.equal([{ path: ['broughtIn'], value: [] }]);
    expect(
      derive({ ...read.value, broughtIn: [] }, { kinds }).findings.some((f) => f.id === 'brought-in'),
    ).to.equal(false);
  });

  it('is refused where a value never was one: out of every range, or of a name nobody knew', () => {
    for (const params of [
      { atMm: 90, heightMm: 500 },
      { atMm: 90, heightMm: 50, colour: 'red' },
    ]) {
      const read = opened(fixture(params));
      expect(!read.ok && read.message).to.match(/heightMm|colour/);
    }
  });

  it('is lifted once: a second time changes nothing', () => {
    const once = withNewFields(fixture({ upCm: 9.5, heightMm: 110 }), kinds);
    expect(withNewFields(once, kinds)).to.deep.equal(once);
  });
});
