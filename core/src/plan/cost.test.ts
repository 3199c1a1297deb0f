import { expect } from 'chai';
import type { Part } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
/** So many greaves for one side, or pairs of them. */
const of = (side: 'left' | 'pair', count: number) => {
  const parts = Array.from({ length: count }, (_, i): Part => ({
    ...newPart(`p${i}`, wearer, 'greave'),
    mount: { to: 'wearer', zone: 'lowerLeg', side },
  }));
  return derive({ ...newBuild('T', '2026-03-01', wearer), parts });
};

describe('a pair', () => {
  it('takes the coats, the paint, the glue and the foam of two, and weighs as much', () => {
    const [singles, pairs] = [of('left', 16), of('pair', 8)];
    const cans = singles.cost.filter((c) => /^(cans|bottles|pots) /.test(c.unit));
    expect(Math.max(...cans.map((c) => c.need))).to.be.greaterThan(3);
    for (const line of cans)
      expect(pairs.cost.find((c) => c.what === line.what)!.need, line.what).to.equal(line.need);
    const glue = (r: typeof pairs): number => r.cost.find((c) => c.unit === 'metres of seam')!.need;
    expect(glue(pairs) / glue(singles)).to.be.closeTo(1, 0.01);
    expect(pairs.totals.foamAreaMm2 / singles.totals.foamAreaMm2).to.be.closeTo(1, 1e-9);
    expect(pairs.totals.massG / singles.totals.massG).to.be.closeTo(1, 0.01);
  });
});
