import { expect } from 'chai';
import fc from 'fast-check';
import type { Feature } from '../../document';
import { meshVolume, signedArea } from '../../geometry';
import { partReport } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';

const block = (over: Record<string, number> = {}): Feature => ({
  id: 'block',
  kind: 'insert-block',
  place: { on: 'room', room: 'inside', alongMm: 0, acrossMm: 0, turnDeg: 0 },
  params: {
    widthMm: 60,
    lengthMm: 80,
    deepMm: 24,
    madeOf: 'part',
    foamMm: 6,
    pocketWideMm: 30,
    pocketLongMm: 52,
    pocketDeepMm: 13,
    notchMm: 8,
    ...over,
  },
});
const made = (over: Record<string, number> = {}) =>
  partReport(
    partOf('donor', { wideMm: 70, highMm: 90, deepMm: 36 }, { features: [block(over)] }),
    contextOf(),
  );

describe('an insert block', () => {
  it('is as many layers as it is deep, the upper of them open for what goes in', () => {
    const { pieces } = made();
    expect(pieces.map((p) => [p.name.includes('pocket'), p.each])).to.deep.equal([
      [false, 1],
      [true, 3],
    ]);
    const [whole, open] = pieces;
    expect(whole!.areaMm2).to.be.closeTo(60 * 80, 1e-6);
    // A pocket of 28 × 50, and a notch of 8 from it to the edge: (80 − 50) / 2 long.
    expect(open!.areaMm2).to.be.closeTo(60 * 80 - 28 * 50 - 8 * 15, 0.1);
    expect(Math.abs(signedArea(open!.outline))).to.be.closeTo(open!.areaMm2, 0.1);
  });

  it('stands on the floor of its room as a closed block', () => {
    const { extras } = made();
    expect(Math.abs(meshVolume(extras))).to.be.closeTo(59 * 79 * 24, 1);
    const ys = extras.points.map((p) => p.y);
    // The case is 36 deep with walls of 2: its floor lies 16 behind the middle.
    expect(Math.min(...ys)).to.be.closeTo(-16, 1e-6);
    expect(Math.max(...ys)).to.be.closeTo(8, 1e-6);
  });

  it('says when it is too deep, too wide, or its pocket too near its edge, and one press makes it as deep as goes', () => {
    const ids = (over: Record<string, number>) => made(over).checks.map((c) => c.id);
    expect(ids({})).to.deep.equal([]);
    expect(ids({ widthMm: 90 })).to.include('block-in-block');
    expect(ids({ pocketWideMm: 55 })).to.include('block-wall-block');
    const deep = made({ deepMm: 60 }).checks.find((c) => c.id === 'block-deep-block')!;
    expect(deep.remedies.map((c) => c.label)).to.deep.equal(['30 mm deep']);
  });

  it('never gains foam by a pocket, whatever its sizes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 120 }),
        fc.integer({ min: 2, max: 120 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 60 }),
        (pocketWideMm, pocketLongMm, pocketDeepMm, notchMm) => {
          const { pieces } = made({ pocketWideMm, pocketLongMm, pocketDeepMm, notchMm });
          const layers = pieces.reduce((sum, p) => sum + (p.each ?? 1), 0);
          expect(layers).to.equal(4);
          for (const p of pieces) expect(p.areaMm2).to.be.within(1, 60 * 80 + 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
