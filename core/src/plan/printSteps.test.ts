import { expect } from 'chai';
import { newBuild, newPart } from '../parts';
import { adultMeasures } from '../parts/testing/worn.test';
import { printedKinds, printingOfAll } from '../printed';
import { derive } from '../report';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
const doc = { ...newBuild('One', '2026-03-02', wearer), parts: [newPart('one', wearer, 'box')] };

describe('printed parts in the plan', () => {
  const printed = printedKinds.map(({ kind, defaults }) => ({ id: kind, kind, params: defaults }));
  const [with_, without] = [derive({ ...doc, printed }, { untried: true }), derive(doc, { untried: true })];

  it('are printed as long as they take, sanded, filled and dried before all is done', () => {
    const hours = printedKinds.reduce(
      (sum, k) => sum + printingOfAll(k.solids(k.defaults).map((s) => s.mesh)).hours,
      0,
    );
    const step = (id: string) => with_.steps.find((s) => s.id === id)!;
    expect(step('printed:print').waitMin).to.be.within(hours * 60, hours * 60 + 1);
    expect(step('printed:fill').after).to.deep.equal(['printed:print']);
    expect(step('printed:fill').waitMin).to.equal(120);
    const last = with_.steps.filter((s) => s.after.includes('printed:fill')).map((s) => s.id);
    expect(last).to.deep.equal(['log']);
    expect(without.steps.some((s) => s.id.startsWith('printed:'))).to.equal(false);
  });

  it('are paid for: plastic by the gram, putty by the tube', () => {
    const lines = with_.cost.filter((l) => /print/.test(l.what));
    expect(lines.map((l) => l.what)).to.deep.equal(['printing plastic', 'putty for prints']);
    expect(with_.totals.cost - without.totals.cost).to.be.closeTo(
      lines.reduce((sum, l) => sum + l.total, 0),
      1e-6,
    );
  });
});
