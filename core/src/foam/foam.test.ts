import { expect } from 'chai';
import fc from 'fast-check';
import { bendStrain, ringTestNeutralFraction, strainClass } from './bend';
import { foldOpeningMm, grooveDepthMm, grooveOpeningMm, groovesForBend } from './groove';
import { strainLimits } from './bend';
import { sprungMouthMm, sprungOpeningMm } from './spring';

describe('bent foam', () => {
  it('makes a ring about 200 mm across from a 630 mm strip', () => {
    // Trade fact: common practice, no source.
    expect(ringTestNeutralFraction(630, 194.5, 6)).to.be.closeTo(0.5, 0.02);
  });

  it('inverts the ring test for any foam', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 12, noNaN: true }),
        fc.double({ min: 0.2, max: 0.6, noNaN: true }),
        (t, k) => {
          expect(ringTestNeutralFraction(Math.PI * (180 + 2 * k * t), 180, t)).to.be.closeTo(k, 1e-9);
        },
      ),
    );
  });

  it('classes strain by its limits', () => {
    expect(bendStrain({ thicknessMm: 6, insideRadiusMm: 57, neutralFraction: 0.5 })).to.be.closeTo(
      0.05,
      1e-12,
    );
    expect([0.05, 0.051, 0.15, 0.2, 0.31].map(strainClass)).to.deep.equal([
      'cold',
      'heat',
      'heat',
      'grooved',
      'laminate',
    ]);
  });

  it('opens a half-depth groove by about 2 mm either side for a fold near a right angle', () => {
    // Trade fact (common practice, no source): cut from about 2 mm either side on 6–7 mm foam for a right angle; the uncut web takes up the rest.
    expect(grooveOpeningMm(grooveDepthMm(6.5), Math.PI / 2)).to.be.closeTo(7.15, 0.01);
    expect(grooveOpeningMm(grooveDepthMm(6.5), Math.PI / 3)).to.be.closeTo(4.1, 0.1);
    expect(groovesForBend(Math.PI, 90)).to.deep.equal({ count: 9, spacingMm: 10 });
  });
});

describe('a groove test', () => {
  it('corrects every fold by the right angle it closed', () => {
    const sheet = { thicknessMm: { value: 6.5 } };
    expect(foldOpeningMm(sheet, Math.PI / 2)).to.be.closeTo(7.15, 0.01);
    const tested = { ...sheet, rightAngleMm: { value: 4.4 } };
    expect(foldOpeningMm(tested, Math.PI / 2)).to.be.closeTo(4.4, 1e-9);
    // A shallow fold needs a narrower groove, in proportion.
    expect(foldOpeningMm(tested, Math.PI / 4) / foldOpeningMm(sheet, Math.PI / 4)).to.be.closeTo(
      4.4 / 7.15,
      1e-9,
    );
    expect(foldOpeningMm(tested, Math.PI / 4)).to.be.lessThan(4.4 / 2);
  });
});

describe('springing a shell open', () => {
  const shell = { insideGirthMm: 220, gapMm: 20, thicknessMm: 6, neutralFraction: 0.5 };

  it('opens wider in thinner foam', () => {
    const mouths = [2, 4, 6, 8, 10].map((thicknessMm) => sprungMouthMm({ ...shell, thicknessMm }));
    for (let i = 1; i < mouths.length; i++) expect(mouths[i]!).to.be.lessThan(mouths[i - 1]!);
  });

  it('is held back by the face further from the neutral layer, whichever that is', () => {
    const mouth = (neutralFraction: number): number => sprungMouthMm({ ...shell, neutralFraction });
    expect(mouth(0.3)).to.be.closeTo(mouth(0.7), 1e-9);
    // Both faces are strained alike where it lies in the middle: nothing opens further.
    expect(mouth(0.3)).to.be.lessThan(mouth(0.5));
    // By hand: the curvature may fall by the cold limit over the greater distance, 0.7 of 6 mm.
    const opened = (2 * Math.PI) / 220 - strainLimits.cold / (0.7 * 6);
    expect(mouth(0.3)).to.be.closeTo((2 * Math.sin((200 * opened) / 2)) / opened, 1e-9);
  });

  it('never passes less than the closed girth and never more than twice its arc', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 130, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        (insideGirthMm, gapMm, thicknessMm) => {
          const opening = sprungOpeningMm({ insideGirthMm, gapMm, thicknessMm, neutralFraction: 0.5 });
          expect(opening).to.be.at.least(insideGirthMm - 1e-9);
          expect(opening).to.be.at.most(2 * (insideGirthMm - gapMm) + gapMm + 1e-9);
        },
      ),
    );
  });
});
