import 'fake-indexeddb/auto';
import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { copiesOfBuild, forgetCopy, keepCopy } from './kept';

const doc = newBuild('Quay light', '2026-03-01', { name: 'Tam', underLayerMm: 2, measures: [] });
const copy = (buildId: string, tab: string, name: string, minute: number) => ({
  buildId,
  tab,
  baseVersion: 3,
  doc: { ...doc, name },
  keptAt: `2026-03-01T10:0${minute}:00.000Z`,
});

describe('copies kept in the browser', () => {
  it('are of one build and one tab each, newest first', async () => {
    await keepCopy(copy('A', 'one', 'first', 1));
    await keepCopy(copy('A', 'two', 'second', 2));
    await keepCopy(copy('B', 'one', 'other', 3));
    await keepCopy(copy('A', 'one', 'first again', 4));
    expect((await copiesOfBuild('A')).map((c) => c.doc.name)).to.deep.equal(['first again', 'second']);
    await forgetCopy('A', 'one');
    expect((await copiesOfBuild('A')).map((c) => c.tab)).to.deep.equal(['two']);
    expect(await copiesOfBuild('B')).to.have.length(1);
  });

  it('take in what an older application kept, once', async () => {
    const storage = new Map([['fomrik:unsaved:C', JSON.stringify({ baseVersion: 7, doc })]]);
    const real = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      value: { getItem: (k: string) => storage.get(k) ?? null, removeItem: (k: string) => storage.delete(k) },
    });
    const [taken] = await copiesOfBuild('C');
    expect(taken).to.deep.include({ buildId: 'C', baseVersion: 7, doc });
    expect(storage.size).to.equal(0);
    if (real) Object.defineProperty(globalThis, 'localStorage', real);
    else Reflect.deleteProperty(globalThis, 'localStorage');
  });
});
