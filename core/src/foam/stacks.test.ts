import { expect } from 'chai';
import fc from 'fast-check';
import { stackWays, type StackSheet } from './stacks';

const sold: StackSheet[] = [2, 4, 5, 6, 8, 10].map((mm) => ({
  nominalMm: mm,
  thicknessMm: mm,
  pricePerM2: mm * 3,
}));

describe('layers that make a thickness', () => {
  it('two tens and a six make 26 (common practice, no source)', () => {
    const ways = stackWays(sold, 26, 0.2, 0);
    expect(ways.map((w) => [...w.layersMm].sort((a, b) => a - b).join('+'))).to.include('6+10+10');
    expect(ways[0]!.offMm).to.equal(0);
    expect(ways[0]!.layersMm).to.have.length(3);
  });

  it('adds up to what it says, glue counted, none missed that counting out all of them finds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 30 }),
        fc.constantFrom(0, 0.1),
        fc.double({ min: 0, max: 1.5, noNaN: true }),
        (target, glue, tolerance) => {
          const ways = stackWays(sold, target, tolerance, glue);
          for (const w of ways) {
            const sum = w.layersMm.reduce((a, b) => a + b, 0) + (w.layersMm.length - 1) * glue;
            expect(w.totalMm).to.be.closeTo(sum, 1e-9);
            expect(Math.abs(w.offMm)).to.be.at.most(tolerance + 1e-9);
          }
          // Counted another way: how many of each, all of them.
          let count = 0;
          const n = (mm: number): number[] => Array.from({ length: Math.floor(32 / mm) + 1 }, (_, i) => i);
          for (const a of n(2))
            for (const b of n(4))
              for (const c of n(5))
                for (const d of n(6))
                  for (const e of n(8))
                    for (const f of n(10)) {
                      const layers = a + b + c + d + e + f;
                      if (layers === 0 || layers > 10) continue;
                      const total = 2 * a + 4 * b + 5 * c + 6 * d + 8 * e + 10 * f + (layers - 1) * glue;
                      if (Math.abs(total - target) <= tolerance + 1e-9) count += 1;
                    }
          expect(ways).to.have.length(count);
        },
      ),
      { numRuns: 15 },
    );
  });
});
