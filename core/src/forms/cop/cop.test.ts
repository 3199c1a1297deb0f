import { expect } from 'chai';
import { bodyOf, edgeMm, expectCured, figureOf, make, pieceOf } from '../../parts/testing/worn.test';

describe('elbow and knee cops', () => {
  for (const kind of ['elbow-cop', 'knee-cop'] as const) {
    it(`${kind}: is lower at its wings than over the joint`, () => {
      const piece = pieceOf(make(kind, { darts: 0, halves: 1 }), 'a');
      const wing = edgeMm(piece, 'left');
      expect(wing).to.be.lessThan(figureOf(make(kind), 'height'));
      expect(edgeMm(piece, 'right')).to.be.closeTo(wing, 1);
    });

    it(`${kind}: is symmetric about the joint`, () => {
      const { points } = make(kind, { halves: 1, darts: 0 }).solid().mesh;
      const reach = points.map((p) => p.y);
      expect(Math.max(...reach)).to.be.closeTo(-Math.min(...reach), 0.5);
    });

    it(`${kind}: a ridge seam saves stretch over one piece`, () => {
      const mostly = (halves: number): number =>
        Math.max(...make(kind, { halves, darts: 0, domeMm: 30 }).pieces.map((p) => p.stretch?.mostly ?? 0));
      expect(mostly(2)).to.be.lessThan(mostly(1));
    });

    it(`${kind}: says when the dome is more than hot foam gives, and darts help`, () => {
      const found = expectCured(kind, { domeMm: 70, darts: 0, halves: 1 }, 'stretch');
      expect(found.title).to.match(/must stretch \d+ %/);
    });
  }

  it('grow with the joint', () => {
    const area = (elbowBentGirth: number): number =>
      make(
        'elbow-cop',
        { heightMm: 130, wingMm: 60, darts: 0 },
        { body: bodyOf({ stature: 1720, elbowBentGirth }) },
      ).pieces[0]!.areaMm2;
    expect(area(330)).to.be.greaterThan(area(270));
  });
});
