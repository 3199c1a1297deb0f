import { expect } from 'chai';
import fc from 'fast-check';
import { inUnit } from './inUnit';
import { parseLengthMm, printInches } from './length';

describe('words in inches', () => {
  it('change every length and nothing else', () => {
    expect(inUnit('Cuff opening is 238 mm; the hand needs 244 mm.', 'in')).to.equal(
      'Cuff opening is 9 3/8"; the hand needs 9 5/8".',
    );
    expect(inUnit('channel 19 × 140 mm', 'in')).to.equal('channel 3/4" × 5 1/2"');
    expect(inUnit('38–45 mm', 'in')).to.equal('1 1/2"–1 3/4"');
    expect(inUnit('hole 25.4 mm, Ø5, 45° back, 3 pieces, 120 mm²', 'in')).to.equal(
      'hole 1", Ø3/16", 45° back, 3 pieces, 120 mm²',
    );
    expect(inUnit('+25 mm', 'in')).to.equal('+1"');
    expect(inUnit('anything 5 mm', 'mm')).to.equal('anything 5 mm');
  });

  it('keep thicknesses that are sold apart, and print nothing as nought that is not', () => {
    const sold = [2, 3, 4, 5, 6, 8, 10, 12].map((mm) => printInches(mm));
    expect(new Set(sold).size).to.equal(sold.length);
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 3000, noNaN: true }), (mm) => {
        const text = printInches(mm);
        expect(text).to.not.match(/^-?0"$/);
        const back = parseLengthMm(text);
        if (!back.ok) throw new Error(back.message);
        expect(Math.abs(back.value - mm)).to.be.at.most(mm < 0.2 ? 0.13 : mm < 12.7 ? 0.4 : 0.8);
      }),
    );
  });
});
