import { expect } from 'chai';
import fc from 'fast-check';
import type { Feature, Params } from '../../document';
import { boundsOf } from '../../geometry';
import { litFace } from '../../light';
import { partReport, standardKinds } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';
import { boxFaceBy, type LightBox } from './box';
import { boxFace, spreadRead, TILE_MM, tileEvenness, tileOf } from './tile';

const start = standardKinds.features.get('light-box')!.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });
const box = (change: Params = {}): LightBox => ({ ...start.params, ...change }) as unknown as LightBox;
const report = (params: Params) => {
  const feature: Feature = {
    id: 'glow',
    kind: 'light-box',
    place: { on: 'panel', panel: 'front', u: 0.5, v: 0.5, turnDeg: 0 },
    params: { ...start.params, widthMm: 120, heightMm: 60, columns: 6, rows: 3, ...params },
  };
  return partReport(
    partOf('box', { widthMm: 300, heightMm: 300, deepMm: 300 }, { features: [feature] }),
    contextOf(),
  );
};

describe('the test tile of a light box', () => {
  it('has its lamps as far apart as the box, and is 60 mm square', () => {
    for (const [columns, widthMm] of [
      [6, 120],
      [3, 90],
      [10, 200],
    ] as const) {
      const tile = tileOf(box({ columns, widthMm, rows: 2, heightMm: 60 }));
      expect([tile.widthMm, tile.heightMm]).to.deep.equal([60, 60]);
      expect(tile.widthMm / tile.columns).to.be.closeTo(widthMm / columns, 1e-9);
      expect(tile.deepMm).to.equal(box().deepMm);
    }
  });

  it('read as it was worked out changes nothing, evener spreads more, less even less', () => {
    const own = box({ widthMm: 120, heightMm: 60, columns: 6, rows: 3 });
    const expected = 100 * tileEvenness(own);
    expect(spreadRead(own, 0)).to.equal(1);
    expect(spreadRead(own, expected)).to.be.closeTo(1, 0.02);
    expect(spreadRead(own, Math.min(99, expected + 6))).to.be.greaterThan(1.02);
    expect(spreadRead(own, expected - 6)).to.be.lessThan(0.98);
  });

  it('makes its own evenness what was read, for any box and reading within reach', () => {
    fc.assert(
      fc.property(
        fc.record({
          widthMm: fc.integer({ min: 40, max: 200 }),
          columns: fc.integer({ min: 1, max: 6 }),
          rows: fc.integer({ min: 1, max: 3 }),
          deepMm: fc.integer({ min: 6, max: 30 }),
          share: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        }),
        ({ share, ...change }) => {
          const own = box(change);
          const [low, high] = [tileEvenness(own, 0.2), tileEvenness(own, 5)];
          fc.pre(high - low > 0.05);
          const readPct = 100 * (low + share * (high - low));
          expect(100 * tileEvenness(own, spreadRead(own, readPct))).to.be.closeTo(readPct, 1);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('says when no spread explains what was read', () => {
    const told = (tileReadPct: number): boolean =>
      report({ tile: 'cut', tileReadPct }).checks.some((c) => c.id === 'tile-glow');
    const own = box({ widthMm: 120, heightMm: 60, columns: 6, rows: 3 });
    const [low, high] = [100 * tileEvenness(own, 0.2), 100 * tileEvenness(own, 5)];
    expect(told(0), 'not read').to.equal(false);
    expect(told(Math.round((low + high) / 2)), 'within reach').to.equal(false);
    const far = low > 10 ? 1 : 100;
    expect(Math.abs(far - (far === 1 ? low : high))).to.be.above(3);
    expect(told(far), 'beyond it').to.equal(true);
  });

  it('corrects the box: as if its diffuser were stated to spread so much', () => {
    const own = box({ widthMm: 120, heightMm: 60, columns: 6, rows: 3, tile: 'cut', tileReadPct: 40 });
    const factor = spreadRead(own, 40);
    expect(litFace(boxFace(own), 40).evenness).to.equal(litFace(boxFaceBy(own, factor), 40).evenness);
    const [dull, even] = [30, 80].map(
      (tileReadPct) => litFace(boxFace({ ...own, tileReadPct }), 40).evenness,
    );
    expect(dull!).to.be.lessThan(even!);
    // A reading of a tile that is not cut any more counts for nothing.
    const none = boxFace({ ...own, tile: 'none' });
    expect(litFace(none, 40).evenness).to.equal(litFace(boxFaceBy(own, 1), 40).evenness);
  });

  it('is cut, and weighs on nothing and is glued to nothing', () => {
    const [with_, without] = [report({ tile: 'cut' }), report({})];
    const tile = with_.pieces.filter((p) => p.trial);
    expect(tile.length).to.be.greaterThan(3);
    const back = tile.find((p) => /back/.test(p.name))!;
    const b = boundsOf(back.outline);
    const wall = back.thicknessMm;
    expect(b.maxX - b.minX).to.be.closeTo(TILE_MM + 2 * wall, 1e-6);
    expect(back.holes).to.have.length(9);
    expect(with_.totalG).to.be.closeTo(without.totalG, 1e-9);
    expect(with_.finishG).to.be.closeTo(without.finishG, 1e-9);
    expect(with_.work.find((w) => w.step === 'tiles')!.gate).to.include('hand’s breadth');
  });
});
