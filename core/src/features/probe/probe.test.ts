import { expect } from 'chai';
import type { Feature } from '../../document';
import { derive } from '../../report';
import { newBuild, newPart } from '../../parts';
import { adultMeasures, checkOf, make } from '../../parts/testing/worn.test';

const hole = (u: number, v = 0.5): Feature => ({
  id: 'hole',
  kind: 'hole',
  place: { on: 'panel', panel: 'front', u, v, turnDeg: 0 },
  params: { diameterMm: 10, count: 1, ringMm: 40 },
});
const probed = (found: string, u: number, acrossMm = 12): Feature => ({
  id: 'spot',
  kind: 'probe',
  place: { on: 'panel', panel: 'front', u, v: 0.5, turnDeg: 0 },
  params: { found, acrossMm },
});
const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };

// The front is 70 mm wide: a hundredth of it is 0.7 mm.
const made = (...features: Feature[]) => make('donor', { wideMm: 70, highMm: 90 }, { features });
const steps = (...features: Feature[]) => {
  const part = { ...newPart('case', wearer, 'donor'), features };
  return derive({ ...newBuild('One', '2026-03-02', wearer), parts: [part] }, { untried: true }).steps;
};

describe('a probed spot', () => {
  it('stops a hole that goes through it or comes nearer than 2 mm, by plain distance', () => {
    for (const [u, nearMm] of [
      [0.5, -11],
      [0.64, -1.2],
      [0.67, 0.9],
      [0.69, 2.3],
      [0.8, 10],
    ] as const) {
      // Middles 70·(u − ½) apart, less 5 mm of hole and 6 mm of spot.
      expect(70 * (u - 0.5) - 11).to.be.closeTo(nearMm, 1e-6);
      const check = checkOf(made(hole(u), probed('screwed', 0.5)), 'probed-spot');
      expect(check !== undefined, `${u}`).to.equal(nearMm < 2);
      if (check) expect(check.title).to.match(nearMm <= 0 ? /goes through/ : /comes 0\.9 mm near/);
    }
  });

  it('says what was noted there', () => {
    const spot = { ...probed('wired', 0.5), note: 'two red wires, 3 mm behind the wall' };
    expect(checkOf(made(hole(0.5), spot), 'probed-spot')!.why).to.match(/Noted: two red wires, 3 mm behind/);
    expect(checkOf(made(hole(0.5), probed('wired', 0.5)), 'probed-spot')!.why).not.to.match(/Noted/);
  });

  it('says nothing where nothing was found, or where nothing is cut', () => {
    expect(checkOf(made(hole(0.5), probed('clear', 0.5)), 'probed-spot')).to.equal(undefined);
    expect(checkOf(made(probed('sprung', 0.5)), 'probed-spot')).to.equal(undefined);
  });

  it('is a step that gates the drilling until each cut is known to be clear', () => {
    const ids = (all: ReturnType<typeof steps>) => all.map((s) => s.id);
    const unknown = steps(hole(0.3));
    expect(ids(unknown)).to.include('case:case-probe');
    expect(ids(unknown).indexOf('case:case-probe')).to.be.lessThan(ids(unknown).indexOf('case:case-holes'));
    expect(unknown.find((s) => s.id === 'case:case-probe')!.gate).to.match(/cannot be taken back/);
    expect(ids(steps(hole(0.3), probed('clear', 0.3)))).to.not.include('case:case-probe');
    // Two millimetres beside it the hole's rim leaves the spot of 12 mm.
    expect(ids(steps(hole(0.3), probed('clear', 0.33))), 'felt for in part').to.include('case:case-probe');
    expect(ids(steps(hole(0.3), probed('clear', 0.8))), 'felt for elsewhere').to.include('case:case-probe');
    expect(ids(steps(hole(0.3), probed('wired', 0.3))), 'not clear').to.include('case:case-probe');
  });
});

describe('a bought thing', () => {
  it('is on the shopping list under its own name at its price, and not when it was there already', () => {
    const cost = (price: number) => {
      const part = newPart('case', wearer, 'donor');
      const own = { ...part, name: 'Toy lantern', params: { ...part.params, price } };
      return derive({ ...newBuild('One', '2026-03-02', wearer), parts: [own] }, { untried: true });
    };
    const line = cost(14.5).cost.find((l) => l.what === 'Toy lantern')!;
    expect([line.need, line.each, line.total]).to.deep.equal([1, 14.5, 14.5]);
    expect(cost(14.5).totals.cost - cost(0).totals.cost).to.be.closeTo(14.5, 1e-9);
    expect(cost(14.5).totals.massG).to.equal(cost(0).totals.massG);
  });
});
