import { expect } from 'chai';
import type { Part } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
const pod = newPart('pod', wearer, 'ear-pod');
const of = (...parts: Part[]) => derive({ ...newBuild('T', '2026-03-01', wearer), parts });
const box = (along: number): Part => ({
  ...newPart('lead', wearer, 'donor'),
  params: { ...newPart('lead', wearer, 'donor').params, wideMm: 10, highMm: 10, deepMm: 10, massG: 30 },
  mount: { to: 'part', part: 'pod', anchor: 'panel:face', alongMm: 0, acrossMm: along },
});

describe('what hangs on an ear', () => {
  it('weighs with all that is on it, and turns about the ear by its lever', () => {
    const [bare] = of(pod).onEar;
    const both = of(pod, box(20));
    const [laden] = both.onEar;
    expect(laden!.massG).to.be.closeTo(
      both.parts.reduce((sum, p) => sum + p.weight.massG, 0),
      1e-9,
    );
    expect(laden!.nodNmm).to.be.closeTo((laden!.massG / 1000) * 9.80665 * Math.abs(laden!.aheadMm), 1e-9);
    // The same thing on the other side of the middle moves it as far the other way.
    const [other] = of(pod, box(-20)).onEar;
    const moved = (e: typeof bare): number => e!.aheadMm * e!.massG - bare!.aheadMm * bare!.massG;
    const lead = both.parts.find((p) => p.id === 'lead')!.weight.massG;
    expect(Math.abs(moved(laden) - moved(other)) / lead).to.be.closeTo(40, 0.5);
  });

  it('is levelled by the lead it names', () => {
    const [e] = of(pod, box(25)).onEar;
    const { massG, armMm, side } = e!.lead!;
    expect(massG * armMm).to.be.closeTo(e!.massG * Math.abs(e!.aheadMm), 1e-6);
    expect(side).to.equal(e!.aheadMm > 0 ? 'behind' : 'ahead');
  });

  it('is a warning over 40 g, by everything and not by its foam alone', () => {
    const heavy = { ...box(0), params: { ...box(0).params, massG: 60 } };
    const found = of(pod, heavy).findings.find((f) => f.id === 'ear:pod');
    expect(found!.title).to.match(/g on one ear/);
    expect(of(pod).onEar[0]!.massG).to.be.lessThan(60);
  });
});
