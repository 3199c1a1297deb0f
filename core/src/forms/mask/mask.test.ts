import { expect } from 'chai';
import { adult, bodyOf, edgeMm, expectCured, figureOf, make, pieceOf } from '../../parts/testing/worn.test';

describe('half mask', () => {
  it('is as wide as the measured head, so the cheeks need no widening later', () => {
    const across = (headBreadth: number): number =>
      figureOf(
        make(
          'half-mask',
          {},
          { body: bodyOf({ stature: 1720, headGirth: 568, headLength: 194, headBreadth }) },
        ),
        'cheeks',
      );
    expect(across(165)).to.be.greaterThan(across(140));
    expect(figureOf(make('half-mask'), 'cheeks')).to.be.greaterThan(adult.headBreadth.valueMm);
  });

  it('meets along its ridge, halves alike', () => {
    const shape = make('half-mask', { halves: 2 });
    expect(edgeMm(pieceOf(shape, 'a'), 'right')).to.be.closeTo(edgeMm(pieceOf(shape, 'b'), 'left'), 1e-6);
  });

  it('is drawn forward at the nose', () => {
    const front = (forwardMm: number): number =>
      Math.max(
        ...make('half-mask', { forwardMm })
          .solid()
          .mesh.points.map((p) => p.y),
      );
    expect(front(60) - front(0)).to.be.within(40, 62);
  });

  it('stops a mask without air', () => {
    expect(expectCured('half-mask', { breath: 'none' }, 'breath').severity).to.equal('stop');
  });

  it('reaches further round with more angle', () => {
    const cheek = (widthDeg: number): number =>
      edgeMm(pieceOf(make('half-mask', { widthDeg, halves: 2 }), 'a'), 'top');
    expect(cheek(95)).to.be.greaterThan(cheek(60));
  });
});
