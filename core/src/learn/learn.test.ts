import { expect } from 'chai';
import fc from 'fast-check';
import { constantOf, type Reading } from '.';

const reading = (ratio: number, i = 0): Reading => ({
  id: `r${i}`,
  quantity: 'finishMass',
  planned: 40,
  actual: 40 * ratio,
  takenOn: '2026-03-01',
  of: 'a bracer',
});

describe('a constant of the shop', () => {
  it('is the stated default until there are readings', () => {
    const none = constantOf([], 'finishMass');
    expect(none.factor).to.equal(1);
    expect(none.readings).to.equal(0);
    expect(none.low).to.be.within(0.3, 0.7);
    expect(constantOf([reading(2)], 'handWork').factor, 'readings of something else').to.equal(1);
  });

  it('agrees with the closed form of a normal mean with a normal prior, for alike readings', () => {
    // Shrinkage of n equal readings x: x · n τ² / (n τ² + σ²), with τ = 0.35 and σ = 0.25.
    for (const n of [1, 2, 5, 20]) {
      const { factor } = constantOf(
        Array.from({ length: n }, (_, i) => reading(1.4, i)),
        'finishMass',
      );
      const shrunk = (n * 0.35 ** 2) / (n * 0.35 ** 2 + 0.25 ** 2);
      expect(Math.log(factor)).to.be.closeTo(Math.log(1.4) * shrunk, 1e-12);
    }
  });

  it('is not ruled by one odd reading', () => {
    const sound = [1.18, 1.22, 1.2, 1.19].map(reading);
    const without = constantOf(sound, 'finishMass').factor;
    const slip = constantOf([...sound, reading(12, 9)], 'finishMass').factor;
    const plainMean = Math.exp((4 * Math.log(without) + Math.log(12)) / 5);
    expect(slip / without).to.be.lessThan(1.12);
    expect(slip).to.be.lessThan(plainMean * 0.8);
  });

  it('lies between the default and the readings, and is surer than the default, surer still when they come again', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 4, noNaN: true }), { minLength: 1, maxLength: 12 }),
        (ratios) => {
          const all = ratios.map(reading);
          const { factor, low, high } = constantOf(all, 'finishMass');
          expect(factor).to.be.within(Math.min(1, ...ratios) - 1e-9, Math.max(1, ...ratios) + 1e-9);
          const none = constantOf([], 'finishMass');
          expect(high / low).to.be.lessThan(none.high / none.low);
          const again = constantOf([...all, ...all], 'finishMass');
          expect(again.high / again.low, 'the same once more').to.be.lessThan(high / low);
        },
      ),
    );
  });
});
