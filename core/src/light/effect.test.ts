import { expect } from 'chai';
import fc from 'fast-check';
import { type Effect, effectAt, type EffectKind, flashesPerSecond, meanShare } from './effect';

const kinds: EffectKind[] = ['steady', 'breathe', 'flicker', 'chase', 'alarm'];

describe('what a controller plays', () => {
  it('never asks for more than full light or less than none', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.double({ min: 0.2, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 1000, noNaN: true }),
        fc.integer({ min: 0, max: 23 }),
        (kind, periodS, seconds, lamp) => {
          expect(effectAt({ kind, periodS }, seconds, lamp, 24)).to.be.within(0, 1);
        },
      ),
    );
  });

  it('draws on the mean what its curve has: all, half, three eighths, a quarter', () => {
    const mean = (kind: EffectKind): number => meanShare({ kind, periodS: 2 }, 16);
    expect(mean('steady')).to.equal(1);
    expect(mean('alarm')).to.be.closeTo(0.5, 0.01);
    // The mean of ((1 − cos x)/2)² is 3/8.
    expect(mean('breathe')).to.be.closeTo(3 / 8, 0.005);
    // A triangle a quarter wide either side of its head: its area is a quarter.
    expect(mean('chase')).to.be.closeTo(0.25, 0.02);
  });

  it('counts flashes as the accessibility guideline does: two changes make one, three a second are the most', () => {
    const alarm = (periodS: number): number => flashesPerSecond({ kind: 'alarm', periodS }, 1);
    expect(alarm(1)).to.equal(1);
    expect(alarm(0.5)).to.equal(2);
    expect(alarm(0.2)).to.be.within(4, 5);
    expect(flashesPerSecond({ kind: 'steady', periodS: 1 }, 4)).to.equal(0);
    expect(flashesPerSecond({ kind: 'breathe', periodS: 4 }, 4)).to.be.at.most(1);
  });

  it('is never safer for being faster', () => {
    for (const kind of kinds) {
      const at = [4, 2, 1, 0.5, 0.3].map((periodS): number =>
        flashesPerSecond({ kind, periodS } as Effect, 8),
      );
      expect(at).to.deep.equal([...at].sort((a, b) => a - b));
    }
  });
});
