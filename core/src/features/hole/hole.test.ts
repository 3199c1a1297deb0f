import { expect } from 'chai';
import fc from 'fast-check';
import type { Params } from '../../document';
import { dist2 } from '../../geometry';
import { checkOf, make } from '../../parts/testing/worn.test';

const on = (params: Params, turnDeg = 0) =>
  make(
    'box',
    { widthMm: 300, heightMm: 300, deepMm: 300 },
    {
      features: [
        {
          id: 'it',
          kind: 'hole',
          place: { on: 'panel', panel: 'front', u: 0.5, v: 0.5, turnDeg },
          params: { diameterMm: 8, count: 1, ringMm: 60, ...params },
        },
      ],
    },
  );
const holesOf = (shape: ReturnType<typeof on>) => shape.pieces.find((p) => p.id === 'front')!.holes;

describe('a ring of holes', () => {
  it('stands evenly on its circle: a chord of D·sin(π/n) from one to the next', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 60, max: 120 }),
        fc.integer({ min: -90, max: 90 }),
        (count, ringMm, turnDeg) => {
          const holes = holesOf(on({ count, ringMm }, turnDeg));
          expect(holes).to.have.length(count);
          const [middle] = holesOf(on({}));
          holes.forEach((h, i) => {
            expect(dist2(h.centre, middle!.centre)).to.be.closeTo(ringMm / 2, 1e-6);
            const next = holes[(i + 1) % count]!;
            expect(dist2(h.centre, next.centre)).to.be.closeTo(ringMm * Math.sin(Math.PI / count), 1e-6);
          });
        },
      ),
      { numRuns: 20 },
    );
  });

  it('is left off where its holes run into each other or off the piece, and told where they stand close', () => {
    expect(checkOf(on({ count: 24, ringMm: 60 }), 'feature-it')!.title).to.match(/run into each other/);
    expect(checkOf(on({ count: 6, ringMm: 590 }), 'feature-it')!.title).to.match(/breaks the edge/);
    // 60·sin(π/15) − 8 = 4.5 mm are left.
    expect(checkOf(on({ count: 15, ringMm: 60 }), 'hole-it')!.title).to.match(/4\.5 mm from the next one/);
    expect(checkOf(on({ count: 6, ringMm: 60 }), 'hole-it')).to.equal(undefined);
  });
});
