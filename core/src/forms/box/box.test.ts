import { expect } from 'chai';
import { gluedOf } from '../../parts';
import { reportOf } from '../../parts/testing/worn.test';

describe('a box', () => {
  for (const corners of ['mitre', 'butt', 'folded'])
    for (const open of ['none', 'back', 'top'])
      it(`measures what was typed by a ruler on its solid: ${corners}, open ${open}`, () => {
        for (const held of ['inside', 'outside'])
          for (const skinMm of [0, 2]) {
            const { solid } = reportOf(
              'box',
              { corners, open, held, skinMm, widthMm: 120, heightMm: 160, deepMm: 60 },
              { nominalMm: 6, foamId: 'dense-eva' },
            );
            const size = (k: 'x' | 'y' | 'z'): number => {
              const all = solid.mesh.points.map((p) => p[k]);
              return Math.max(...all) - Math.min(...all) + 2 * skinMm;
            };
            // Inside sizes hold between skins; a plate that is left off has neither foam nor a skin within.
            const walls = (plates: number): number => (held === 'inside' ? plates * 6 : 0);
            const skins = (plates: number): number => (held === 'inside' ? 2 * plates * skinMm : 0);
            const reported = `${held}, skin ${skinMm}`;
            expect(size('x'), reported).to.be.closeTo(120 + walls(2) + skins(2), 1e-6);
            const [high, deep] = [open === 'top' ? 1 : 2, open === 'back' ? 1 : 2];
            expect(size('z'), reported).to.be.closeTo(160 + walls(high) + skins(high), 1e-6);
            expect(size('y'), reported).to.be.closeTo(60 + walls(deep) + skins(deep), 1e-6);
          }
      });

  it('holds the foam between its outside and its inside, whichever way it is cut', () => {
    const grams = (corners: string): number =>
      reportOf(
        'box',
        { corners, open: 'none', widthMm: 120, heightMm: 160, deepMm: 60, held: 'inside' },
        { nominalMm: 6, foamId: 'dense-eva' },
      ).foamG;
    // 132 × 172 × 72 less 120 × 160 × 60 at 100 kg/m³.
    const block = (132 * 172 * 72 - 120 * 160 * 60) * 100e-6;
    expect(grams('butt')).to.be.closeTo(block, 0.01);
    expect(grams('mitre')).to.be.closeTo(block, 0.05);
    // Cut flat, with its grooves out; the web is squeezed at each fold.
    expect(grams('folded')).to.be.within(0.99 * block, 1.01 * block);
  });
});

describe('a box of plates cut square', () => {
  it('is glued along every joint once, by hand', () => {
    const glued = (open: string): number =>
      gluedOf(
        reportOf(
          'box',
          { corners: 'butt', held: 'outside', open, widthMm: 100, heightMm: 100, deepMm: 100, skinMm: 0 },
          { nominalMm: 10, foamId: 'dense-eva' },
        ).pieces,
      ).hungMm;
    // Closed: front and back 100 on foot and top; sides 80 on both, and 80 upright at front and back.
    expect(glued('none')).to.be.closeTo(4 * 100 + 2 * (2 * 80 + 2 * 80), 1e-6);
    // Open on top: nothing up there, uprights of 90.
    expect(glued('top')).to.be.closeTo(2 * 100 + 2 * (80 + 2 * 90), 1e-6);
    // Open at the back: no back plate; sides reach to 90 deep.
    expect(glued('back')).to.be.closeTo(2 * 100 + 2 * (2 * 90 + 80), 1e-6);
  });
});
