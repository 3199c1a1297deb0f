import { expect } from 'chai';
import { applyChanges, type Feature, type Params } from '../../document';
import { checkOf, make, partOf, contextOf } from '../../parts/testing/worn.test';
import { partReport } from '../../parts';
import { boundsOf } from '../../geometry';
import { trustedN, withdrawalN } from '../laying/screws';
import { pullN } from './holding';

const feature = (params: Params = {}): Feature => ({
  id: 'it',
  kind: 'hang-plate',
  place: { on: 'panel', panel: 'front', u: 0.5, v: 0.5, turnDeg: 0 },
  params: {
    massG: 300,
    armMm: 40,
    plates: 2,
    stepMm: 60,
    screwMm: 3.5,
    madeOf: 'pvc-board',
    foamMm: 6,
    ...params,
  },
});
const box: Params = { widthMm: 300, heightMm: 300, deepMm: 300 };
const made = (params: Params = {}) => make('box', box, { features: [feature(params)] });

describe('screws in a board', () => {
  it('pull out as the handbook says of pine: 108.25 G² D L', () => {
    // A No. 8 screw of 4.2 mm, 25 mm of thread in pine of 0.40: 108.25 × 0.16 × 4.2 × 25 = 1 819 N.
    expect(withdrawalN(400, 4.2, 25)).to.be.closeTo(1819, 1);
    // Twice the density, four times; twice the thread, twice.
    expect(withdrawalN(800, 4.2, 25) / withdrawalN(400, 4.2, 25)).to.be.closeTo(4, 1e-9);
    expect(withdrawalN(400, 4.2, 50) / withdrawalN(400, 4.2, 25)).to.be.closeTo(2, 1e-9);
    expect(trustedN(400, 4.2, 25)).to.be.closeTo(1819 / 5, 1);
  });

  it('are pulled by the law of the lever: weight × arm = pull × height of the plate, shared by the plates', () => {
    const one = pullN({ massG: 1000, armMm: 60, plates: 1 });
    expect(one * 30).to.be.closeTo(9.80665 * 2.5 * 60, 1e-9);
    expect(pullN({ massG: 1000, armMm: 60, plates: 3 })).to.be.closeTo(one / 3, 1e-9);
  });
});

describe('keyhole plates', () => {
  it('are backed by a board that is cut, 15 mm beyond them all round, with screws that end in it', () => {
    const { made: part } = made({ plates: 3, stepMm: 50 });
    const board = part.pieces.find((p) => p.featureId === 'it')!;
    const b = boundsOf(board.outline);
    expect(b.maxX - b.minX).to.be.closeTo(2 * 50 + 16 + 30, 1e-6);
    expect(b.maxY - b.minY).to.be.closeTo(45 + 30, 1e-6);
    expect(board.foamId).to.equal('pvc-board');
    const t = part.laid.find((l) => l.panel.id === 'front')!.foam.thicknessMm.value;
    const bought = part.featured.bought.map((x) => `${x.count} ${x.what}`);
    expect(bought).to.include('3 keyhole plate, steel');
    expect(bought).to.include(`6 pan-head screw, 3.5 × ${Math.floor(2 + t + board.thicknessMm - 1)} mm`);
  });

  it('raise a warning when overloaded, and the offered number of plates holds the load', () => {
    const doc = partOf('box', box, { features: [feature({ massG: 4000, armMm: 120, plates: 1 })] });
    const check = partReport(doc, contextOf()).checks.find((c) => c.id === 'keyhole-pull-it')!;
    expect(check.title).to.match(/N pull at each upper screw/);
    const cured = applyChanges(doc, check.remedies[0]!.changes);
    expect(partReport(cured, contextOf()).checks.some((c) => c.id === 'keyhole-pull-it')).to.equal(false);
    const fewer = applyChanges(cured, [
      { path: ['features', 0, 'params', 'plates'], value: Number(cured.features[0]!.params['plates']) - 1 },
    ]);
    expect(partReport(fewer, contextOf()).checks.some((c) => c.id === 'keyhole-pull-it')).to.equal(true);
  });

  it('are stopped on foam alone, and left off where the board has no room', () => {
    expect(checkOf(made({ madeOf: 'dense-eva', foamMm: 6 }), 'keyhole-soft-it')!.severity).to.equal('stop');
    expect(checkOf(made({ plates: 6, stepMm: 200 }), 'feature-it')!.title).to.match(/reaches beyond/);
  });
});
