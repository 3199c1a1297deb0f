import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { dragEnd, dragUpdate, keepHistory, openDoc, redo, undo, useBuild } from './build';

/** A stand-in for the browser's own storage. */
class Storage {
  private readonly kept = new Map<string, string>();
  full = false;
  getItem(key: string): string | null {
    return this.kept.get(key) ?? null;
  }
  setItem(key: string, value: string): void {
    if (this.full) throw new Error('full');
    this.kept.set(key, value);
  }
  removeItem(key: string): void {
    this.kept.delete(key);
  }
}

const doc = newBuild('Quay light', '2026-03-01', { name: 'Tam', underLayerMm: 2, measures: [] });
const budget = (): number => useBuild.getState().doc.brief.budget;
const spend = (value: number): void => useBuild.getState().update((d) => void (d.brief.budget = value));
const past = (): number => useBuild.temporal.getState().pastStates.length;

describe('the open build', () => {
  let storage: Storage;
  const real = (globalThis as { sessionStorage?: unknown }).sessionStorage;

  beforeEach(() => {
    storage = new Storage();
    Object.defineProperty(globalThis, 'sessionStorage', { value: storage, configurable: true });
    openDoc('a', doc);
  });
  after(() => Object.defineProperty(globalThis, 'sessionStorage', { value: real, configurable: true }));

  it('is changed by replacing what changed and nothing else', () => {
    spend(50);
    expect(budget()).to.equal(50);
    expect(useBuild.getState().doc.wearer).to.equal(doc.wearer);
    expect(doc.brief.budget).to.equal(150);
  });

  it('undoes and redoes every change', () => {
    for (const value of [10, 20, 30]) spend(value);
    undo();
    undo();
    expect(budget()).to.equal(10);
    redo();
    expect(budget()).to.equal(20);
    undo();
    undo();
    expect(useBuild.getState().doc).to.deep.equal(doc);
    undo();
    expect(budget()).to.equal(150);
  });

  it('forgets what was undone once something else is done', () => {
    spend(10);
    undo();
    spend(20);
    redo();
    expect(budget()).to.equal(20);
  });

  it('takes a whole drag as one step', () => {
    const before = past();
    for (const value of [1, 2, 3, 4]) dragUpdate((d) => void (d.brief.budget = value));
    expect(past()).to.equal(before);
    dragEnd();
    expect(past()).to.equal(before + 1);
    undo();
    expect(budget()).to.equal(150);
    redo();
    expect(budget()).to.equal(4);
  });

  it('does not record the end of a drag that never began', () => {
    const before = past();
    dragEnd();
    expect(past()).to.equal(before);
  });

  it('applies a remedy as one step', () => {
    useBuild.getState().apply([
      { path: ['brief', 'budget'], value: 1 },
      { path: ['brief', 'lightHours'], value: 2 },
    ]);
    expect(past()).to.equal(1);
    undo();
    expect(useBuild.getState().doc).to.deep.equal(doc);
  });

  it('brings its history back after a reload that ends at the same document', () => {
    spend(10);
    spend(20);
    keepHistory();
    openDoc('b', { ...doc, name: 'another' });
    expect(past()).to.equal(0);
    openDoc('a', { ...doc, brief: { ...doc.brief, budget: 20 } });
    undo();
    expect(budget()).to.equal(10);
  });

  it('drops a history that does not lead to what was loaded', () => {
    spend(10);
    keepHistory();
    openDoc('a', { ...doc, name: 'changed elsewhere' });
    expect(past()).to.equal(0);
  });

  it('survives a full or a spoiled storage', () => {
    storage.full = true;
    spend(10);
    expect(() => keepHistory()).not.to.throw();
    storage.full = false;
    storage.setItem('fomrik:history:a', '{nonsense');
    openDoc('a', doc);
    expect(past()).to.equal(0);
  });
});
