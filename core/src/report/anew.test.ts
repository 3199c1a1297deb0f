import { expect } from 'chai';
import fc from 'fast-check';
import { applyChanges, type BuildDoc, type Change } from '../document';
import { demo } from '../files/testing/demo';
import { createDeriver, derive } from './derive';

/** A deriver and what it made anew for the last document. */
function watchedDeriver() {
  const made: string[] = [];
  const deriver = createDeriver({ onMade: (stage) => made.push(stage) });
  return (doc: BuildDoc): string[] => {
    made.length = 0;
    deriver(doc);
    return [...made];
  };
}

const changed = (doc: BuildDoc, ...changes: Change[]): BuildDoc => applyChanges(doc, changes);

describe('an edit works out only what changed', () => {
  const harness = demo('lampwarden-harness');
  const derived = watchedDeriver();
  before(function () {
    this.timeout(60_000);
    derived(harness);
  });

  it('a rename of the build makes nothing', () => {
    expect(derived(changed(harness, { path: ['name'], value: 'Another' }))).to.deep.equal([]);
  });

  it('a budget is looked at by the findings alone', () => {
    expect(derived(changed(harness, { path: ['brief', 'budget'], value: 77 }))).to.deep.equal(['findings']);
  });

  it('the hours of a day touch the plan, and nothing of foam, fit or light', () => {
    const made = derived(changed(harness, { path: ['brief', 'hoursPerDay'], value: 1.5 }));
    expect(made).to.include('schedule');
    for (const stage of ['part', 'sheets', 'fit', 'circuits', 'steps', 'cost'])
      expect(made).not.to.include(stage);
  });

  it('one part makes itself, and steps and circuits of what it is put together with', () => {
    const at = harness.parts.findIndex((p) => p.form === 'greave');
    const { id } = harness.parts[at]!;
    derived(harness);
    const made = derived(changed(harness, { path: ['parts', at, 'params', 'easeMm'], value: 21 }));
    expect(made.filter((stage) => stage === 'part')).to.have.length(1);
    expect(made.filter((stage) => stage.startsWith('steps of'))).to.deep.equal([`steps of ${id}`]);
    const lit = harness.circuits.filter((c) => c.source.startsWith(id)).map((c) => `circuit ${c.id}`);
    expect(made.filter((stage) => stage.startsWith('circuit '))).to.deep.equal(lit);
  });
});

describe('what is remembered', () => {
  it('gives the same report as nothing remembered, after any edits', function () {
    this.timeout(120_000);
    const builds = [demo('lampwarden-bracers'), demo('lampwarden-tide'), demo('lampwarden-bracers-troubled')];
    const edit = fc.constantFrom<(doc: BuildDoc, n: number) => Change[]>(
      (_, n) => [{ path: ['name'], value: `Build ${n}` }],
      (_, n) => [{ path: ['brief', 'coldC'], value: n - 12 }],
      (_, n) => [{ path: ['brief', 'hoursPerDay'], value: 1 + (n % 6) }],
      (_, n) => [{ path: ['wearer', 'underLayerMm'], value: n % 7 }],
      (_, n) => [{ path: ['parts', 0, 'name'], value: `Part ${n}` }],
      (_, n) => [{ path: ['parts', 0, 'copies'], value: 1 + (n % 2) }],
      ({ parts }, n) => [{ path: ['parts'], value: n % 2 ? parts.slice(0, 1) : [...parts].reverse() }],
      ({ circuits }, n) => (circuits[0] ? [{ path: ['circuits', 0, 'name'], value: `Light ${n}` }] : []),
      ({ circuits }, n) => (n % 3 === 0 ? [{ path: ['circuits'], value: circuits.slice(1) }] : []),
      (_, n) => [{ path: ['make', 'done'], value: n % 2 ? { print: '2026-05-01T12:00' } : {} }],
      (_, n) => [{ path: ['make', 'habits', 'sawKerfMm'], value: 1 + (n % 3) }],
      (_, n) => [{ path: ['cut', 'overlapMm'], value: 10 + (n % 4) }],
      ({ parts }, n) => [{ path: ['parts', 0, 'finishColour'], value: n % 2 ? '#224466' : parts[0]?.finish }],
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...builds),
        fc.array(fc.tuple(edit, fc.integer({ min: 0, max: 23 })), { minLength: 4, maxLength: 7 }),
        (build, edits) => {
          const deriver = createDeriver();
          let doc = build;
          for (const [make, n] of edits) {
            doc = changed(doc, ...make(doc, n));
            const report = deriver(doc);
            expect(JSON.stringify(report)).to.equal(JSON.stringify(derive(doc)));
            // Nothing in it still watches the document: such a thing could not be sent to the page.
            expect(structuredClone(report)).to.deep.equal(report);
          }
        },
      ),
      { numRuns: 5 },
    );
  });
});
