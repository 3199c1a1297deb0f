import { expect } from 'chai';
import fc from 'fast-check';
import { leastSheets } from './leastSheets';

/** Fewest bins by trying every way to fill them. */
function fewest(sizes: readonly number[], room: number): number {
  let best = sizes.length;
  const left: number[] = [];
  const place = (k: number): void => {
    if (left.length >= best) return;
    if (k === sizes.length) {
      best = left.length;
      return;
    }
    for (let b = 0; b < left.length; b++)
      if (left[b]! >= sizes[k]!) {
        left[b]! -= sizes[k]!;
        place(k + 1);
        left[b]! += sizes[k]!;
      }
    left.push(room - sizes[k]!);
    place(k + 1);
    left.pop();
  };
  place(0);
  return best;
}

describe('fewest sheets', () => {
  it('are never more than any plan takes, against every way to fill them', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 100 }), { minLength: 1, maxLength: 8 }), (areas) => {
        const reported = leastSheets(areas, 100);
        expect(reported).to.be.at.most(fewest(areas, 100));
        expect(reported).to.be.at.least(Math.ceil(areas.reduce((sum, a) => sum + a, 0) / 100));
      }),
      { numRuns: 300 },
    );
  });

  it('see that pieces over half a sheet want one each, where the area alone asks for fewer', () => {
    // Five of 60 in a hundred: 3 by area, 5 in truth.
    expect(leastSheets([60, 60, 60, 60, 60], 100)).to.equal(5);
    expect(leastSheets([60, 60, 60, 60, 60], 100, [70, 50])).to.equal(3);
    expect(leastSheets([30, 30], 100, [80])).to.equal(0);
  });
});
