import { expect } from 'chai';
import {
  bodyOf,
  checkOf,
  edgeMm,
  expectCured,
  figureOf,
  lames,
  make,
  pieceOf,
} from '../../parts/testing/worn.test';

describe('pauldron', () => {
  it('has a cap and any number of lames', () => {
    for (const count of [0, 1, 3, 7]) {
      const shape = make('pauldron', { lames: lames(count) });
      expect(shape.pieces.map((p) => p.id)).to.deep.equal([
        'cap',
        ...Array.from({ length: count }, (_, i) => `lame-${i + 1}`),
      ]);
    }
  });

  it('hangs as far below the shoulder as its lames reach past one another', () => {
    const drop = (count: number, overlapMm: number): number =>
      figureOf(make('pauldron', { lames: lames(count, () => ({ heightMm: 50, overlapMm })) }), 'drop');
    expect(drop(3, 20)).to.equal(3 * 30);
    expect(drop(3, 30)).to.be.lessThan(drop(3, 20));
  });

  it('lets each lame be higher than the last, and the lowest have a foam of its own', () => {
    const shape = make('pauldron', {
      lames: lames(3, (i) => ({ heightMm: 50 + 10 * i, foamMm: i === 2 ? 2 : 6 })),
    });
    const heights = [1, 2, 3].map((i) => edgeMm(pieceOf(shape, `lame-${i}`), 'right'));
    expect(heights[1]! - heights[0]!).to.be.closeTo(10, 2);
    expect(heights[2]! - heights[1]!).to.be.closeTo(10, 2);
    expect([1, 2, 3].map((i) => pieceOf(shape, `lame-${i}`).thicknessMm)).to.deep.equal([6, 6, 2]);
    expect(figureOf(shape, 'drop')).to.be.closeTo(50 + 60 + 70 - 3 * 18, 1e-6);
  });

  it('warns when the plates would gape', () => {
    expectCured('pauldron', { lames: lames(3, () => ({ overlapMm: 6 })) }, 'overlap');
    expect(checkOf(make('pauldron'), 'overlap')).to.equal(undefined);
    expect(checkOf(make('pauldron', { lames: [] }), 'overlap')).to.equal(undefined);
  });

  it('wraps a stouter arm with longer plates', () => {
    const lame = (upperArmGirth: number): number =>
      edgeMm(
        pieceOf(make('pauldron', {}, { body: bodyOf({ stature: 1720, upperArmGirth }) }), 'lame-1'),
        'bottom',
      );
    expect(lame(360) - lame(300)).to.be.within(20, 60);
  });

  it('draws the cap in less stretch with darts than without', () => {
    const mostly = (darts: number): number =>
      pieceOf(make('pauldron', { capMm: 150, darts, stretchPct: 3 }), 'cap').stretch!.mostly;
    expect(mostly(4)).to.be.lessThan(mostly(0));
  });

  it('has its lames in their own foam', () => {
    const shape = make('pauldron', { lames: lames(3, () => ({ foamMm: 2 })) });
    expect(pieceOf(shape, 'lame-2').thicknessMm).to.equal(2);
    expect(pieceOf(shape, 'cap').thicknessMm).to.equal(6);
  });
});
