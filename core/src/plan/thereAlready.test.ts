import { expect } from 'chai';
import type { BuildDoc, Part } from '../document';
import { cutListCsv } from '../files/csv';
import { printedPieces } from '../pattern';
import { newBuild, newPart, standardKinds } from '../parts';
import { adultMeasures } from '../parts/testing/worn.test';
import { derive } from '../report';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
const docOf = (...parts: Part[]): BuildDoc => ({ ...newBuild('One', '2026-03-02', wearer), parts });
const reported = (...parts: Part[]) => derive(docOf(...parts), { untried: true });
const aged = (part: Part, years: number): Part => ({ ...part, reused: { years } });

describe('a part that is there already', function () {
  this.timeout(120_000);

  for (const form of standardKinds.forms.keys())
    it(`${form}: is not printed, cut, bought or painted, weighs what it weighs, and leaves the others as they are`, () => {
      const one = { ...newPart('one', wearer, form), name: 'Old one' };
      const other = newPart('two', wearer, 'box');
      const [all, alone, kept] = [reported(one, other), reported(other), reported(aged(one, 1), other)];
      expect(kept.packed.sheets.flatMap((s) => s.laid).filter((p) => p.partId === 'one')).to.deep.equal([]);
      expect(printedPieces(kept).map((p) => p.source.partName)).to.not.include(one.name);
      expect(cutListCsv(kept)).to.not.include(one.name);
      expect(kept.sticks).to.deep.equal(alone.sticks);
      expect(kept.totals.cost).to.be.closeTo(alone.totals.cost, 1e-6);
      expect(kept.totals.massG).to.be.closeTo(all.totals.massG, 1e-6);
      // Only looking it over, and carrying or wearing it, is added to what the other takes.
      const more = kept.steps.filter((s) => alone.steps.every((o) => o.id !== s.id)).map((s) => s.id);
      expect(more.filter((id) => id.startsWith('one:'))).to.deep.equal(['one:look']);
      expect(kept.steps.filter((s) => s.id.startsWith('two:')).map((s) => s.title)).to.deep.equal(
        all.steps.filter((s) => s.id.startsWith('two:')).map((s) => s.title),
      );
    });

  it('has its seams, coats and straps renewed as it ages, and buys what it renews', () => {
    const bracer = newPart('one', wearer, 'bracer');
    const strapped = { ...bracer, params: { ...bracer.params, closure: 'hook-and-loop' } };
    const ids = (years: number) => reported(aged(strapped, years)).steps.map((s) => s.id);
    expect(ids(1)).to.not.include('one:seams');
    expect(ids(2)).to.include('one:seams');
    expect(ids(3)).to.include('one:coats');
    expect(ids(4.9)).to.not.include('one:straps');
    expect(ids(5)).to.include('one:straps');
    const bought = (years: number) => reported(aged(strapped, years)).totals.cost;
    expect(bought(4.9)).to.equal(0);
    const straps = reported(strapped).cost.filter((l) => l.unit === 'metres' && /strap/.test(l.what));
    expect(bought(5)).to.be.closeTo(
      straps.reduce((sum, l) => sum + l.total, 0),
      1e-9,
    );
    expect(bought(5)).to.be.above(0);
  });
});
