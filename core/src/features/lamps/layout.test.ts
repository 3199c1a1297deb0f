import { expect } from 'chai';
import fc from 'fast-check';
import { dist2 } from '../../geometry';
import { makePart } from '../../parts/made';
import { contextOf, expectCured, partOf } from '../../parts/testing/worn.test';
import { layoutOf } from './layout';

const base = {
  colour: 'amber' as const,
  body: '5mm' as const,
  shows: 'hole' as const,
  awayMm: 5,
  layout: 'line' as const,
  rows: 2,
  count: 6,
  pitchMm: 20,
};

describe('lamps laid out', () => {
  it('on a circle stand a pitch from their neighbours and alike from the middle', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 60 }),
        fc.double({ min: 6, max: 80, noNaN: true }),
        fc.integer({ min: -180, max: 180 }),
        (count, pitchMm, turnDeg) => {
          const all = layoutOf({ ...base, layout: 'circle', count, pitchMm }, turnDeg);
          const r = Math.hypot(all[0]!.x, all[0]!.y);
          all.forEach((p, i) => {
            expect(dist2(p, all[(i + 1) % count]!)).to.be.closeTo(pitchMm, 1e-6);
            expect(Math.hypot(p.x, p.y)).to.be.closeTo(r, 1e-6);
          });
          // A chord of a regular polygon: s = 2 r sin(π/n).
          expect(2 * r * Math.sin(Math.PI / count)).to.be.closeTo(pitchMm, 1e-6);
        },
      ),
    );
  });

  it('on a grid stand in rows and columns a pitch apart, about the middle', () => {
    const all = layoutOf({ ...base, layout: 'grid', count: 12, rows: 3, pitchMm: 25 }, 0);
    expect(new Set(all.map((p) => Math.round(p.y)))).to.deep.equal(new Set([25, 0, -25]));
    expect(new Set(all.map((p) => p.x))).to.deep.equal(new Set([-37.5, -12.5, 12.5, 37.5]));
    expect(new Set(all.map((p) => `${p.x}/${p.y}`)).size).to.equal(12);
  });

  it('are drilled where they lie, and are drawn onto their piece by a remedy', () => {
    const lamps = (pitchMm: number) => ({
      id: 'l',
      kind: 'lamps',
      place: { on: 'panel' as const, panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 },
      params: { ...base, layout: 'circle', pitchMm },
    });
    const { pieces } = makePart(partOf('bracer', {}, { features: [lamps(20)] }), contextOf());
    const holes = pieces.flatMap((p) => p.holes).filter((h) => h.id.startsWith('l-'));
    expect(holes).to.have.length(6);
    holes.forEach((h, i) => expect(dist2(h.centre, holes[(i + 1) % 6]!.centre)).to.be.closeTo(20, 1e-6));
    expectCured('bracer', {}, 'lamp-edge-l', { features: [lamps(150)] });
  });
});
