import { expect } from 'chai';
import { adult, checkOf, edgeMm, expectCured, figureOf, make, pieceOf } from '../../parts/testing/worn.test';

describe('ear pod', () => {
  it('is a box of five plane pieces whose seams agree, and a hook', () => {
    const shape = make('ear-pod');
    expect(shape.pieces.map((p) => p.id)).to.deep.equal(['face', 'front', 'back', 'roof', 'floor', 'hook']);
    for (const piece of shape.pieces) {
      expect(piece.stretch, piece.name).to.equal(undefined);
      for (const edge of piece.edges.filter((e) => e.joint === 'seam')) {
        const mate = pieceOf(shape, edge.mate!.pieceId);
        expect(
          Math.abs(edge.lengthMm - edgeMm(mate, edge.mate!.edgeId)),
          `${piece.name} ${edge.name}`,
        ).to.be.lessThan(12.5);
      }
    }
  });

  it('grows deeper to hold what is inside, by twice the foam', () => {
    expect(figureOf(make('ear-pod', { deepMm: 20, insideMm: 40 }), 'deep')).to.equal(52);
    expect(figureOf(make('ear-pod', { deepMm: 20, insideMm: 40 }, { nominalMm: 10 }), 'deep')).to.equal(60);
    expect(figureOf(make('ear-pod', { deepMm: 80, insideMm: 20 }), 'deep')).to.equal(80);
  });

  it('warns when an ear would droop', () => {
    expectCured('ear-pod', { widthMm: 160, heightMm: 180, deepMm: 120 }, 'droop', { nominalMm: 12 });
    expect(checkOf(make('ear-pod'), 'droop')).to.equal(undefined);
  });

  it('has a room inside as deep as asked, lining counted', () => {
    for (const lining of [undefined, { foamId: 'dense-eva', nominalMm: 2 }]) {
      const { made } = make('ear-pod', { deepMm: 12, insideMm: 25 }, lining ? { lining } : {});
      const inside = made.rooms.find((r) => !r.id.startsWith('gap:'))!;
      const t = made.foam.thicknessMm.value;
      expect(inside.depthAt(inside.middle)).to.equal(25 + (lining ? 2 : 0) + t);
      expect(inside.depthAt({ x: 500, y: 0 })).to.equal(undefined);
    }
  });

  it('hangs on a wire as long as the ear asks, with a size either side to try', () => {
    const { model } = make('ear-pod', { hookOf: 'wire' }).made;
    const ear = adult.earLength.valueMm;
    // Along the wall, half round the root of the ear, down half its length, and a curl.
    const mm = (long: number): number => Math.round(20 + Math.PI * 0.27 * long + long / 2 + 10);
    for (const by of [-5, 0, 5]) expect(model.work[0]!.detail).to.include(`${mm(ear + by)} mm`);
    expect(model.bought[0]!.count * 1000).to.be.within(mm(ear + 5), mm(ear + 5) + 100);
    expect(make('ear-pod', { hookOf: 'wire' }).pieces.map((p) => p.id)).to.not.include('hook');
  });
});
