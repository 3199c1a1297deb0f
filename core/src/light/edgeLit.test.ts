import { expect } from 'chai';
import fc from 'fast-check';
import { edgeGlow, mostEngraved } from './edgeLit';

/** Rays followed one by one from face to face, each hit a throw of the dice: shares nothing with the sum under test. */
function followed(
  lengthMm: number,
  thicknessMm: number,
  engraved: number,
  farReturns: number,
): { bins: number[]; out: number } {
  let state = 12345;
  const random = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
  const bins = new Array<number>(8).fill(0);
  const rays = 200_000;
  let out = 0;
  for (let i = 0; i < rays; i++) {
    const inside = Math.asin(random() / 1.49);
    const stride = (2 * thicknessMm) / Math.tan(Math.max(1e-6, inside));
    // The first hit is anywhere within the first stride.
    let x = random() * stride;
    let back = false;
    for (;;) {
      if (x >= lengthMm) {
        if (back || random() > farReturns) break;
        back = true;
        x = x - lengthMm;
        continue;
      }
      if (random() < engraved && random() < 0.5) {
        out += 1;
        bins[Math.min(7, Math.floor(((back ? lengthMm - x : x) / lengthMm) * 8))]! += 1;
        break;
      }
      x += stride;
    }
  }
  return { bins: bins.map((b) => b / rays), out: out / rays };
}

describe('a sheet lit at its edge', () => {
  for (const [length, thick, engraved, far] of [
    [100, 3, 0.1, 0],
    [200, 3, 0.3, 0.85],
    [60, 5, 0.5, 0],
  ] as const)
    it(`of ${length} by ${thick} mm, ${engraved * 100} % engraved, shines as two hundred thousand rays followed one by one`, () => {
      const glow = edgeGlow({ lengthMm: length, thicknessMm: thick, engraved, farReturns: far });
      const by = followed(length, thick, engraved, far);
      expect(glow.out).to.be.closeTo(by.out, 0.01);
      const mean = by.out / 8;
      by.bins.forEach((b, i) => {
        const own = glow.along.slice(i * 12, i * 12 + 12).reduce((s, v) => s + v, 0) / 12;
        expect(own, `eighth ${i + 1}`).to.be.closeTo(b / mean, 0.05);
      });
    });

  it('gives out no more than goes in, the more evenly the less is engraved, and clearer', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 400, noNaN: true }),
        fc.double({ min: 2, max: 8, noNaN: true }),
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (lengthMm, thicknessMm, engraved, farReturns) => {
          const sheet = { lengthMm, thicknessMm, farReturns };
          const [less, more] = [engraved, engraved * 1.5].map((e) => edgeGlow({ ...sheet, engraved: e })) as [
            ReturnType<typeof edgeGlow>,
            ReturnType<typeof edgeGlow>,
          ];
          // A lit far edge is a second source: twice as much goes in.
          expect(less.out).to.be.within(0, 1 + farReturns);
          expect(more.out).to.be.at.least(less.out - 1e-9);
          expect(more.evenness).to.be.at.most(less.evenness + 0.01);
          expect(less.clear + engraved).to.be.closeTo(1, 1e-12);
        },
      ),
    );
  });

  it('names the most that can be engraved: that much is even enough, a hundredth more is not', () => {
    const sheet = { lengthMm: 120, thicknessMm: 3, farReturns: 0.85 };
    const most = mostEngraved(sheet, 0.7);
    expect(most).to.be.within(0.02, 0.6);
    expect(edgeGlow({ ...sheet, engraved: most }).evenness).to.be.at.least(0.7);
    expect(edgeGlow({ ...sheet, engraved: most + 0.01 }).evenness).to.be.lessThan(0.7);
  });
});
