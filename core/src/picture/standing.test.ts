import { expect } from 'chai';
import fc from 'fast-check';
import { type Spot, standingBy } from '.';

const heights = [
  { name: 'crown', upMm: 1700 },
  { name: 'eyes', upMm: 1590 },
  { name: 'shoulders', upMm: 1390 },
  { name: 'knees', upMm: 470 },
  { name: 'floor', upMm: 0 },
];

const spot = fc.tuple(
  fc.double({ min: 0, max: 2000, noNaN: true }),
  fc.double({ min: 0, max: 2000, noNaN: true }),
);
const jitter = fc.array(fc.double({ min: -25, max: 25, noNaN: true }), { minLength: 10, maxLength: 10 });

/** Marks of a figure that leans from its floor to its crown, each moved a little. */
const marksOf = ([cx, cy]: Spot, [fx, fy]: Spot, by: readonly number[]) =>
  heights.map(({ name, upMm }, i) => ({
    name,
    at: [
      fx + ((cx - fx) * upMm) / 1700 + by[2 * i]!,
      fy + ((cy - fy) * upMm) / 1700 + by[2 * i + 1]!,
    ] as Spot,
  }));

/** Sum of the squares of what the marks are off a figure with these ends. */
const squares = (marks: ReturnType<typeof marksOf>, crown: Spot, floor: Spot): number =>
  marksOf(crown, floor, Array<number>(10).fill(0)).reduce(
    (sum, { at }, i) => sum + (at[0] - marks[i]!.at[0]) ** 2 + (at[1] - marks[i]!.at[1]) ** 2,
    0,
  );

describe('a figure that stands in a picture', () => {
  it('is where it was drawn, whatever way it leans, when every mark agrees', () => {
    fc.assert(
      fc.property(spot, spot, (crown, floor) => {
        fc.pre(Math.hypot(crown[0] - floor[0], crown[1] - floor[1]) > 50);
        const found = standingBy(marksOf(crown, floor, Array<number>(10).fill(0)), heights)!;
        for (const k of [0, 1] as const) {
          expect(found.crown[k]).to.be.closeTo(crown[k], 1e-6);
          expect(found.floor[k]).to.be.closeTo(floor[k], 1e-6);
        }
        expect(found.likelyShare).to.be.below(1e-6);
        for (const { mm } of found.offMm) expect(mm).to.be.below(1e-3);
      }),
    );
  });

  it('comes nearer to marks that disagree than it would with either end anywhere beside it', () => {
    fc.assert(
      fc.property(jitter, (by) => {
        const marks = marksOf([900, 100], [1000, 1500], by);
        const { crown, floor } = standingBy(marks, heights)!;
        const least = squares(marks, crown, floor);
        for (const [dx, dy] of [
          [0.5, 0],
          [-0.5, 0],
          [0, 0.5],
          [0, -0.5],
        ] as const) {
          expect(squares(marks, [crown[0] + dx, crown[1] + dy], floor)).to.be.at.least(least);
          expect(squares(marks, crown, [floor[0] + dx, floor[1] + dy])).to.be.at.least(least);
        }
      }),
    );
  });

  it('says how far off its scale is likely to be, as many drawings of it spread', () => {
    // Normal by sums of twelve, each mark 10 px: 5,000 figures, and how their heights spread.
    let seed = 7;
    const random = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const normal = (): number => Array.from({ length: 12 }, random).reduce((a, b) => a + b, -6) * 10;
    const talls: number[] = [];
    const reported: number[] = [];
    for (let n = 0; n < 5000; n++) {
      const { crown, floor, likelyShare } = standingBy(
        marksOf([1000, 100], [1000, 1500], Array.from({ length: 10 }, normal)),
        heights,
      )!;
      talls.push(Math.hypot(crown[0] - floor[0], crown[1] - floor[1]));
      reported.push(likelyShare ** 2);
    }
    const mean = talls.reduce((a, b) => a + b) / talls.length;
    const spread = Math.sqrt(talls.reduce((sum, t) => sum + (t - mean) ** 2, 0) / talls.length) / mean;
    expect(Math.sqrt(reported.reduce((a, b) => a + b) / reported.length) / spread).to.be.closeTo(1, 0.05);
  });

  it('is nothing by marks at one height, or of names nobody has', () => {
    expect(standingBy([{ name: 'eyes', at: [1, 1] }], heights)).to.equal(undefined);
    expect(
      standingBy(
        [
          { name: 'tail', at: [1, 1] },
          { name: 'eyes', at: [1, 9] },
        ],
        heights,
      ),
    ).to.equal(undefined);
  });
});
