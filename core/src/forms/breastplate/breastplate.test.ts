import { expect } from 'chai';
import { levels } from '../../body';
import {
  adult,
  areaOf,
  bodyOf,
  edgeInSpaceMm,
  edgeMm,
  expectCured,
  figureOf,
  make,
  pieceOf,
} from '../../parts/testing/worn.test';

describe('breastplate and back plate', () => {
  it('reach from the waist to below the neck', () => {
    const at = levels(adult);
    const shape = make('breastplate', { belowWaistMm: 0, topMm: 50, neckScoopMm: 0 });
    expect(figureOf(shape, 'height')).to.be.closeTo(at.neckBase - at.waist - 50, 1e-6);
  });

  it('lose the scoop from their middle', () => {
    const height = (neckScoopMm: number): number => figureOf(make('breastplate', { neckScoopMm }), 'height');
    expect(height(0) - height(60)).to.be.closeTo(60, 1e-6);
  });

  it('meet along the centre, halves alike', () => {
    for (const kind of ['breastplate', 'backplate'] as const) {
      const shape = make(kind, { halves: 2 });
      const [a, b] = [pieceOf(shape, 'a'), pieceOf(shape, 'b')];
      expect(edgeMm(a, 'right')).to.be.closeTo(edgeMm(b, 'left'), 0.5);
      expect(a.edges.find((e) => e.id === 'right')!.mate).to.deep.equal({ pieceId: 'b', edgeId: 'left' });
      expect(a.marks.some((m) => m.kind === 'notch')).to.equal(true);
    }
  });

  it('need more stretch in one piece than in two', () => {
    const worst = (halves: number): number =>
      Math.max(
        ...make('breastplate', { halves, darts: 0, ridgeMm: 40 }).pieces.map((p) => p.stretch?.mostly ?? 0),
      );
    expect(worst(1)).to.be.greaterThan(worst(2));
  });

  it('grow where the body does: bust in front, not behind', () => {
    const fuller = bodyOf({
      stature: 1720,
      chestGirth: 1080,
      underBustGirth: 868,
      waistGirth: 840,
      hipGirth: 990,
      neckGirth: 350,
    });
    const gain = (kind: 'breastplate' | 'backplate'): number =>
      areaOf(make(kind, { darts: 0 }, { body: fuller })) / areaOf(make(kind, { darts: 0 }));
    expect(gain('breastplate')).to.be.greaterThan(1.02);
    expect(gain('breastplate')).to.be.greaterThan(gain('backplate'));
  });

  it('stand out along the ridge', () => {
    const front = (ridgeMm: number): number =>
      Math.max(
        ...make('breastplate', { ridgeMm })
          .solid()
          .mesh.points.map((p) => p.y),
      );
    expect(front(40) - front(0)).to.be.within(25, 45);
    const behind = Math.min(
      ...make('backplate')
        .solid()
        .mesh.points.map((p) => p.y),
    );
    expect(behind).to.be.lessThan(-80);
  });

  it('warn of a plate too wide for the arms, and one that stops bending', () => {
    expectCured('breastplate', { sideDeg: 95, armScoopMm: 60 }, 'arms', {
      body: bodyOf({ stature: 1720, chestGirth: 980, acrossChest: 260 }),
    });
    expectCured('breastplate', { belowWaistMm: 120 }, 'bend');
  });

  it('unroll to what they measure in space, edge for edge', () => {
    const shape = make('backplate', { halves: 2, ridgeMm: 0 });
    const a = pieceOf(shape, 'a');
    for (const side of ['right', 'bottom']) {
      const drawn = edgeInSpaceMm(shape, 'a', side);
      expect(edgeMm(a, side), side).to.be.within(drawn * 0.94, drawn * 1.04);
    }
  });
});
