import { expect } from 'chai';
import fc from 'fast-check';
import { applyChanges, type Feature, type Params } from '../../document';
import { boundsOf, meshVolume } from '../../geometry';
import { checkOf, make } from '../../parts/testing/worn.test';
import { trustedN } from '../laying/screws';
import { pullN, screwCircleMm } from './holding';

const feature = (params: Params = {}): Feature => ({
  id: 'it',
  kind: 'pipe-bracket',
  place: { on: 'panel', panel: 'front', u: 0.5, v: 0.5, turnDeg: 0 },
  params: {
    pipeMm: 20,
    massG: 150,
    armMm: 60,
    screws: 4,
    screwMm: 3.5,
    madeOf: 'pvc-board',
    foamMm: 6,
    ...params,
  },
});
const box: Params = { widthMm: 300, heightMm: 300, deepMm: 300 };
const made = (params: Params = {}) => make('box', box, { features: [feature(params)] });

describe('a circle of screws under a lever', () => {
  it('is pulled no harder than by hand, whichever way it is turned: force by distance from the middle line', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 8 }),
        fc.integer({ min: 10, max: 800 }),
        fc.integer({ min: 10, max: 60 }),
        (screws, armMm, pipeMm) => {
          const load = { massG: 500, armMm, screws, pipeMm };
          const r = screwCircleMm(pipeMm) / 2;
          const newton = 0.5 * 9.80665 * 2.5;
          let worst = 0;
          for (let turn = 0; turn < 360; turn++) {
            const ys = Array.from(
              { length: screws },
              (_, i) => r * Math.sin(((turn + (360 * i) / screws) * Math.PI) / 180),
            );
            const squares = ys.reduce((sum, y) => sum + y * y, 0);
            worst = Math.max(worst, ...ys.map((y) => newton / screws + (newton * armMm * y) / squares));
          }
          expect(pullN(load)).to.be.closeTo(worst, 1e-3 * worst);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('a pipe bracket', () => {
  it('is a flange with a socket on a round board, with screws that end in it', () => {
    const { made: part } = made();
    const board = part.pieces.find((p) => p.featureId === 'it')!;
    const b = boundsOf(board.outline);
    // 20 mm of pipe, 25 of flange and 10 of board on either side.
    expect(b.maxX - b.minX).to.be.closeTo(90, 1e-6);
    const t = part.laid.find((l) => l.panel.id === 'front')!.foam.thicknessMm.value;
    const bought = part.featured.bought.map((x) => `${x.count} ${x.what}`);
    expect(bought).to.deep.equal([
      '1 flange for a pipe of 20 mm',
      `4 pan-head screw, 3.5 × ${Math.floor(4 + t + board.thicknessMm - 1)} mm`,
    ]);
    const volume = part.featured.solids.reduce((sum, m) => sum + Math.abs(meshVolume(m)), 0);
    // Discs of 70 mm by 4 and 26 by 16, as polygons of 32 sides.
    const polygon = (across: number) => (32 / 2) * (across / 2) ** 2 * Math.sin((2 * Math.PI) / 32);
    expect(volume).to.be.closeTo(polygon(70) * 4 + polygon(26) * 16, 1e-3);
    // The flange, and a spot for every screw.
    expect(part.pieces.flatMap((p) => p.marks.filter((m) => m.kind === 'rivet'))).to.have.length(5);
  });

  it('warns of too much, and the offered screws hold it; foam behind is a stop that board mends', () => {
    expect(checkOf(made(), 'bracket-pull-it')).to.equal(undefined);
    const light = { massG: 150, armMm: 60 };
    const board = made().made.pieces.find((p) => p.featureId === 'it')!;
    const holds = trustedN(board.densityKgM3, 3.5, board.thicknessMm - 1);
    expect(pullN({ ...light, screws: 4, pipeMm: 20 })).to.be.lessThan(holds);
    // As heavy as five screws just hold.
    const massG = (150 * holds * 0.999) / pullN({ ...light, screws: 5, pipeMm: 20 });
    const over = checkOf(made({ massG, screws: 4 }), 'bracket-pull-it')!;
    expect(over.remedies.map((r) => ('label' in r ? r.label : ''))).to.deep.equal(['5 screws']);
    expect(checkOf(made({ massG, screws: 5 }), 'bracket-pull-it')).to.equal(undefined);
    const soft = checkOf(made({ madeOf: 'dense-eva' }), 'bracket-soft-it')!;
    const [remedy] = soft.remedies;
    const changes = remedy && 'changes' in remedy ? remedy.changes : [];
    const mended = applyChanges({ features: [feature({ madeOf: 'dense-eva' })] }, changes).features[0]!;
    expect(checkOf(made(mended.params), 'bracket-soft-it')).to.equal(undefined);
  });

  it('is left off where its board reaches beyond the piece', () => {
    const titles = made({ pipeMm: 120, screws: 8 }).made.noticed.map((n) => n.check.title);
    expect(titles.join()).to.not.match(/reaches beyond/);
    const small = make('box', { widthMm: 80, heightMm: 80, deepMm: 80 }, { features: [feature()] });
    expect(small.made.noticed.map((n) => n.check.title).join()).to.match(
      /pipe bracket, 90 mm across, reaches beyond/,
    );
  });
});
