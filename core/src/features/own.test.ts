import { expect } from 'chai';
import type { BuildDoc, Feature, Params } from '../document';
import { checkDoc } from '../files/schema';
import { newBuild, newPart, standardKinds, startLights } from '../parts';
import { derive } from '../report';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };

/** A lit box, with one of its features otherwise. */
function lit(change: (features: Feature[]) => Feature[] = (f) => f): BuildDoc {
  const part = newPart('b', wearer, 'box');
  const dark = { ...newBuild('One', '2026-03-01', wearer), parts: [part] };
  const { features, circuit } = startLights(part, derive(dark).parts[0]!, standardKinds, (base) => base)!;
  const doc = { ...dark, parts: [{ ...part, features: change(features) }], circuits: [circuit] };
  const checked = checkDoc(doc);
  if (!checked.ok) throw new Error(checked.message);
  return checked.value;
}
const withParams = (kind: string, params: Params) => (all: Feature[]) =>
  all.map((f) => (f.kind === kind ? { ...f, params: { ...f.params, ...params } } : f));

describe('what a maker measured', () => {
  it('a pack of one’s own is the size, mass and price it was measured at, and runs as long as what it holds', () => {
    const own = {
      packId: 'own',
      ownCell: 'aaa',
      ownCells: 3,
      ownLengthMm: 52,
      ownWidthMm: 37,
      ownThickMm: 13,
      ownG: 44,
      ownAh: 0,
      ownPrice: 4,
    };
    const bought = derive(lit(withParams('pack', { packId: '3xaaa' })));
    const same = derive(lit(withParams('pack', own)));
    // Typed as the catalogue has it, it is what the catalogue has.
    expect(same.circuits[0]!.run!.hours).to.be.closeTo(bought.circuits[0]!.run!.hours, 1e-9);
    expect(same.parts[0]!.totalG).to.be.closeTo(bought.parts[0]!.totalG, 1e-9);
    expect(same.totals.cost).to.be.closeTo(bought.totals.cost, 1e-9);
    const half = derive(lit(withParams('pack', { ...own, ownAh: 0.6, ownG: 60 })));
    expect(half.circuits[0]!.run!.hours / same.circuits[0]!.run!.hours).to.be.closeTo(0.5, 0.02);
    expect(half.parts[0]!.totalG - same.parts[0]!.totalG).to.be.closeTo(16, 1e-9);
  });

  it('a pack too thick for its room is reported, whatever made it thick', () => {
    const inside = (ownThickMm: number): boolean => {
      const doc = lit((all) =>
        withParams('pack', { packId: 'own', ownThickMm })(all).map((f) =>
          f.kind === 'pack'
            ? { ...f, place: { on: 'room', room: 'inside', alongMm: 0, acrossMm: 0, turnDeg: 0 } }
            : f,
        ),
      );
      return derive(doc).findings.some((f) => f.id.includes('pack-room') && f.severity === 'stop');
    };
    expect([inside(18), inside(100)]).to.deep.equal([false, true]);
  });

  it('a salvaged switch is held to its own rating and is not bought', () => {
    const weak = derive(lit(withParams('switch', { switchId: 'own', ownMostA: 0.01 })));
    expect(weak.findings.some((f) => f.id.startsWith('switch-current'))).to.equal(true);
    const strong = derive(lit(withParams('switch', { switchId: 'own', ownMostA: 2 })));
    expect(strong.findings.some((f) => f.id.startsWith('switch-current'))).to.equal(false);
    expect(strong.cost.some((l) => l.what.includes('switch'))).to.equal(false);
  });

  it('a measured device draws what was measured at its voltage, and is reported on another', () => {
    const kind = standardKinds.features.get('gadget')!;
    const device = (params: Params): BuildDoc => {
      const doc = lit();
      const start = kind.start({
        panel: doc.parts[0]!.features[0]!.place.on === 'panel' ? doc.parts[0]!.features[0]!.place.panel : '',
        edge: '',
        at: { x: 0.3, y: 0.7 },
      });
      const feature: Feature = {
        id: 'fairy',
        kind: 'gadget',
        place: start.place,
        params: { ...start.params, ...params },
      };
      return {
        ...doc,
        parts: [{ ...doc.parts[0]!, features: [...doc.parts[0]!.features, feature] }],
        circuits: [{ ...doc.circuits[0]!, loads: [{ feature: 'fairy', currentMa: 20 }] }],
      };
    };
    const right = derive(device({ volts: 4.5, drawsMa: 60 }));
    expect(right.circuits[0]!.working!.totalA).to.be.closeTo(0.06, 1e-6);
    // 60 mA from AAA cells of about 1.06 Ah at that load.
    expect(right.circuits[0]!.run!.hours).to.be.within(9, 18);
    expect(right.findings.some((f) => f.id.startsWith('steady-volts'))).to.equal(false);
    const wrong = derive(device({ volts: 12, drawsMa: 60, leastV: 8 }));
    expect(wrong.findings.some((f) => f.id.startsWith('steady-volts') && f.severity === 'stop')).to.equal(
      true,
    );
  });
});
