import { expect } from 'chai';
import fc from 'fast-check';
import { newBuild, newPart } from '../parts';
import type { BuildDoc } from './document';
import { mergeDocs } from './merge';

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
const base: BuildDoc = {
  ...newBuild('Quay light', '2026-03-01', wearer),
  parts: ['a', 'b', 'c'].map((id) => ({ ...newPart(id, wearer, 'bracer'), name: `Part ${id}` })),
};
const renamed = (doc: BuildDoc, id: string, name: string): BuildDoc => ({
  ...doc,
  parts: doc.parts.map((p) => (p.id === id ? { ...p, name } : p)),
});

describe('two states of one build', () => {
  it('take what either changed of different parts', () => {
    const { doc, clashes } = mergeDocs(base, renamed(base, 'a', 'Mine'), renamed(base, 'b', 'Theirs'));
    expect(clashes).to.deep.equal([]);
    expect(doc.parts.map((p) => p.name)).to.deep.equal(['Mine', 'Theirs', 'Part c']);
  });

  it('name the part that both changed, and keep mine', () => {
    const { doc, clashes } = mergeDocs(base, renamed(base, 'a', 'Mine'), renamed(base, 'a', 'Theirs'));
    expect(clashes).to.deep.equal(['Mine']);
    expect(doc.parts[0]!.name).to.equal('Mine');
  });

  it('agree where both made the same change', () => {
    expect(mergeDocs(base, renamed(base, 'a', 'Same'), renamed(base, 'a', 'Same')).clashes).to.deep.equal([]);
  });

  it('clash where one took away what the other changed', () => {
    const gone = { ...base, parts: base.parts.slice(1) };
    expect(mergeDocs(base, gone, renamed(base, 'a', 'Theirs')).clashes).to.deep.equal(['Theirs']);
    expect(mergeDocs(base, gone, renamed(base, 'b', 'Theirs')).doc.parts.map((p) => p.id)).to.deep.equal([
      'b',
      'c',
    ]);
  });

  it('keep parts that both added', () => {
    const added = (id: string): BuildDoc => ({
      ...base,
      parts: [...base.parts, newPart(id, wearer, 'bracer')],
    });
    const { doc, clashes } = mergeDocs(base, added('m'), added('t'));
    expect(clashes).to.deep.equal([]);
    expect(doc.parts.map((p) => p.id)).to.have.members(['a', 'b', 'c', 'm', 't']);
  });

  it('bring ticks, settings and foams together one by one', () => {
    const tick = (step: string): BuildDoc => ({
      ...base,
      make: { ...base.make, done: { [step]: '2026-03-02T10:00:00.000Z' } },
    });
    const mine = { ...tick('one'), brief: { ...base.brief, budget: 10 } };
    const theirs = { ...tick('two'), brief: { ...base.brief, lightHours: 3 } };
    const { doc, clashes } = mergeDocs(base, mine, theirs);
    expect(clashes).to.deep.equal([]);
    expect(Object.keys(doc.make.done)).to.have.members(['one', 'two']);
    expect([doc.brief.budget, doc.brief.lightHours]).to.deep.equal([10, 3]);
  });

  it('lose nothing of either, whatever each renamed, took out and added', () => {
    const edit = fc.record({
      rename: fc.option(fc.constantFrom('a', 'b', 'c'), { nil: undefined }),
      drop: fc.option(fc.constantFrom('a', 'b', 'c'), { nil: undefined }),
      budget: fc.option(fc.integer({ min: 1, max: 500 }), { nil: undefined }),
    });
    type Edit = { rename?: string | undefined; drop?: string | undefined; budget?: number | undefined };
    const edited = (e: Edit, word: string): BuildDoc => {
      const named = e.rename ? renamed(base, e.rename, word) : base;
      return {
        ...named,
        parts: named.parts.filter((p) => p.id !== e.drop),
        brief: { ...named.brief, budget: e.budget ?? base.brief.budget },
      };
    };
    fc.assert(
      fc.property(edit, edit, (m, t) => {
        const [mine, theirs] = [edited(m, 'Mine'), edited(t, 'Theirs')];
        const { doc, clashes } = mergeDocs(base, mine, theirs);
        // A second way: every part by what happened to it on either side.
        for (const { id, name } of base.parts) {
          const [a, b] = [mine, theirs].map((d) => d.parts.find((p) => p.id === id)?.name);
          const merged = doc.parts.find((p) => p.id === id)?.name;
          if (a === name) expect(merged).to.equal(b);
          else if (b === name || a === b) expect(merged).to.equal(a);
          else expect(clashes.length).to.be.greaterThan(0);
        }
        expect(mergeDocs(base, mine, base).doc).to.deep.equal(mine);
        expect(mergeDocs(base, base, theirs).doc).to.deep.equal(theirs);
      }),
      { numRuns: 60 },
    );
  });
});
