import { expect } from 'chai';
import fc from 'fast-check';
import loadHighs from 'highs';
import { relaxed } from './linear';
import { packSticks } from './plan';

/** Every way to cut one stick that no other holds, for the reference. */
function patterns(kinds: readonly number[], room: number): number[][] {
  const found: number[][] = [];
  const go = (k: number, left: number, at: number[]): void => {
    if (k === kinds.length) {
      if (at.some((n) => n > 0)) found.push([...at]);
      return;
    }
    for (let n = Math.floor(left / kinds[k]!); n >= 0; n--) go(k + 1, left - n * kinds[k]!, [...at, n]);
  };
  go(0, room, []);
  return found;
}

/** The least number of sticks by an integer-programming library (HiGHS). */
async function exact(lengths: readonly number[], stick: number): Promise<number> {
  const highs = await loadHighs();
  const kinds = [...new Set(lengths)];
  const ways = patterns(kinds, stick);
  const problem = [
    'Minimize',
    ` obj: ${ways.map((_, i) => `x${i}`).join(' + ')}`,
    'Subject To',
    ...kinds.map(
      (k, r) =>
        ` c${r}: ${ways.flatMap((w, i) => (w[r]! > 0 ? [`${w[r]} x${i}`] : [])).join(' + ')} >= ${lengths.filter((l) => l === k).length}`,
    ),
    'General',
    ` ${ways.map((_, i) => `x${i}`).join(' ')}`,
    'End',
  ].join('\n');
  return Math.round(highs.solve(problem).ObjectiveValue);
}

describe('cutting sticks', () => {
  it('cuts the published paper reels from 73 (cutting-stock example, 5,600 mm, thirteen widths)', () => {
    const widths = [1380, 1520, 1560, 1710, 1820, 1880, 1930, 2000, 2050, 2100, 2140, 2150, 2200];
    const demand = [22, 25, 12, 14, 18, 18, 20, 10, 12, 14, 16, 18, 20];
    const plan = packSticks(
      widths.flatMap((w, i) => Array.from({ length: demand[i]! }, () => w)),
      5600,
      0,
    );
    expect(plan.sticks).to.have.length(73);
    expect(plan.proved).to.equal(true);
  });

  it('agrees with the optimum of an integer-programming library', async () => {
    // Seeded, so that the reference's time stays the same from run to run.
    const samples = fc.sample(
      fc.record({
        kinds: fc.uniqueArray(fc.integer({ min: 180, max: 900 }), { minLength: 2, maxLength: 5 }),
        counts: fc.array(fc.integer({ min: 1, max: 7 }), { minLength: 5, maxLength: 5 }),
      }),
      { numRuns: 12, seed: 7 },
    );
    for (const { kinds, counts } of samples) {
      const lengths = kinds.flatMap((k, i) => Array.from({ length: counts[i]! }, () => k));
      const plan = packSticks(lengths, 1000, 0);
      expect(plan.sticks.length, lengths.join()).to.equal(await exact(lengths, 1000));
    }
  });

  it('proves the fewest for triplets that leave nothing over (the class of Falkenauer, 1996)', function () {
    this.timeout(60_000);
    // Bins of 1000: the first of three 380 to 490, the second 250 to half of what is left, the third the rest.
    for (const stated of fc.sample(
      fc.array(fc.tuple(fc.integer({ min: 380, max: 490 }), fc.double({ min: 0, max: 1, noNaN: true })), {
        minLength: 20,
        maxLength: 20,
      }),
      { numRuns: 5, seed: 3 },
    ))
      for (const kerf of [0, 2]) {
        const lengths = stated.flatMap(([first, share]) => {
          const rest = 1000 - 2 * kerf - first;
          const second = 250 + Math.floor(share * (Math.floor(rest / 2) - 250));
          return [first, second, rest - second];
        });
        const plan = packSticks(lengths, 1000, kerf);
        expect(plan.sticks).to.have.length(20);
        expect(plan.proved).to.equal(true);
      }
  });

  it('bounds by no more than the relaxed plan of the reference, and by no less where it came to its end', async () => {
    const highs = await loadHighs();
    for (const kinds of [
      [410, 333, 270],
      [507, 312, 199, 150],
      [620, 480, 377, 205],
    ]) {
      const wanted = kinds.map((_, i) => 3 + i);
      const ways = patterns(kinds, 1000).filter((w) => w.every((n, i) => n <= wanted[i]!));
      const found = highs.solve(
        [
          'Minimize',
          ` obj: ${ways.map((_, i) => `x${i}`).join(' + ')}`,
          'Subject To',
          ...kinds.map(
            (_, r) =>
              ` c${r}: ${ways.flatMap((w, i) => (w[r]! > 0 ? [`${w[r]} x${i}`] : [])).join(' + ')} = ${wanted[r]}`,
          ),
          'End',
        ].join('\n'),
      ).ObjectiveValue;
      expect(relaxed(kinds, wanted, 1000).sticks).to.be.closeTo(found, 1e-6);
    }
  });

  it('gives every cut once, and never more than a stick and its kerfs', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 20, max: 2300, noNaN: true }), { minLength: 1, maxLength: 60 }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (lengths, kerf) => {
          const { sticks, tooLong, bound } = packSticks(lengths, 2000, kerf);
          expect([...sticks.flat(), ...tooLong].sort((a, b) => a - b)).to.deep.equal(
            lengths.map((_, i) => i),
          );
          for (const cuts of sticks)
            expect(cuts.reduce((sum, i) => sum + lengths[i]!, 0) + (cuts.length - 1) * kerf).to.be.at.most(
              2000 + 0.2,
            );
          for (const i of tooLong) expect(lengths[i]).to.be.greaterThan(2000 - 0.2);
          expect(sticks.length).to.be.at.most(bound + 1);
        },
      ),
      { numRuns: 40, seed: 11 },
    );
  });
});
