import { newPart } from '@fomrik/core/parts';
import type { Part } from '@fomrik/core/document';
import { expect } from 'chai';
import { snapValue } from './snapped';
import { setAt, valueAt, valueHandles } from './valueHandles';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };

/** A thigh, a handle on its upper edge, and what became of the part. */
function bench(endMm: number, step = { x: 0, y: 0, z: 1 }) {
  const fresh = newPart('t', wearer, 'thigh');
  const part: Part = { ...fresh, params: { ...fresh.params, endMm } };
  const now = structuredClone(part);
  let ended = 0;
  const [handle] = valueHandles(
    't',
    [
      {
        path: ['endMm'],
        label: 'Upper edge',
        unit: 'mm',
        way: 'between',
        from: { x: 0, y: 0, z: 0 },
        to: { x: 0, y: 0, z: endMm },
        step,
        value: endMm,
        range: [40, 600],
      },
    ],
    {
      drag: (recipe) => recipe(now as never),
      change: (recipe) => recipe(now as never),
      end: () => (ended += 1),
    },
  );
  return { handle: handle!, end: () => (now.params as Record<string, number>)['endMm'], ended: () => ended };
}

describe('handles of a form', () => {
  it('slide their value from where the drag began, in whole millimetres', () => {
    const { handle, end } = bench(300);
    handle.onSlide!(12.4);
    expect(end()).to.equal(312);
    handle.onSlide!(-20);
    expect(end(), 'counted from the start, not from the last place').to.equal(280);
  });

  it('stay within the field’s range', () => {
    const { handle, end } = bench(590);
    handle.onSlide!(500);
    expect(end()).to.equal(600);
    handle.onSlide!(-5000);
    expect(end()).to.equal(40);
  });

  it('are nudged by arrows either way round', () => {
    const { handle, end } = bench(300);
    handle.onNudge(0, 10);
    expect(end()).to.equal(310);
    handle.onNudge(-1, 0);
    expect(end(), 'counted from what it is now, so that quick presses add up').to.equal(309);
  });

  it('do not run away from the pointer where a unit hardly shows', () => {
    const { handle } = bench(300, { x: 0, y: 0, z: 0.01 });
    expect(Math.hypot(handle.step!.x, handle.step!.y, handle.step!.z)).to.be.closeTo(0.15, 1e-9);
    expect(handle.label).to.include('arrow keys');
  });

  it('tell when a drag is over', () => {
    const { handle, ended } = bench(300);
    handle.onEnd();
    expect(ended()).to.equal(1);
  });

  it('set a value of a detail where the dimension is of one', () => {
    const fresh = newPart('t', wearer, 'thigh');
    const hole = (id: string) => ({
      id,
      kind: 'hole',
      place: { on: 'panel', panel: 'shell', u: 0.5, v: 0.5, turnDeg: 0 },
      params: { diameterMm: 10, count: 1, ringMm: 40 },
    });
    const part = { ...fresh, features: [hole('a'), hole('b')] } as unknown as Part;
    setAt(part as never, { featureId: 'b', path: ['diameterMm'] }, (now) => now + 4);
    expect(part.features.map((f) => f.params['diameterMm'])).to.deep.equal([10, 14]);
    expect(valueAt(part, { featureId: 'b', path: ['diameterMm'] })).to.equal(14);
    expect(valueAt(part, { featureId: 'gone', path: ['diameterMm'] })).to.equal(undefined);
  });
});

describe('a dragged value', () => {
  const others = [
    { label: 'Upper edge', value: 300 },
    { label: 'Lower edge', value: 296 },
  ];

  it('snaps to the nearest other value of its unit, and says to which', () => {
    expect(snapValue(298.4, 'mm', others)).to.deep.equal({ value: 300, words: 'as upper edge' });
    expect(snapValue(297.4, 'mm', others)).to.deep.equal({ value: 296, words: 'as lower edge' });
    expect(snapValue(240, 'mm', others)).to.equal(undefined);
  });

  it('snaps to round angles', () => {
    expect(snapValue(44, 'deg', [])).to.deep.equal({ value: 45, words: '' });
    expect(snapValue(40, 'deg', [])).to.equal(undefined);
    expect(snapValue(44, 'mm', [])).to.equal(undefined);
  });
});
