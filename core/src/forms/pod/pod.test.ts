import { expect } from 'chai';
import { adult, checkOf, edgeMm, expectCured, figureOf, make, pieceOf } from '../testing/worn.test';
import { backFrame } from '../backFrame/backFrame';

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
    expect(figureOf(make('ear-pod', { deepMm: 20, insideMm: 40 }), 'deep outside')).to.equal(52);
    expect(
      figureOf(make('ear-pod', { deepMm: 20, insideMm: 40 }, { nominalMm: 10 }), 'deep outside'),
    ).to.equal(60);
    expect(figureOf(make('ear-pod', { deepMm: 80, insideMm: 20 }), 'deep outside')).to.equal(80);
  });

  it('warns when an ear would droop', () => {
    expectCured('ear-pod', { widthMm: 160, heightMm: 180, deepMm: 120 }, 'droop', { nominalMm: 12 });
    expect(checkOf(make('ear-pod'), 'droop')).to.equal(undefined);
  });
});

describe('back frame', () => {
  it('is as wide as the shoulders and as high as the trunk by default', () => {
    const defaults = backFrame.defaults(adult);
    expect(defaults['widthMm']).to.equal(Math.round(adult.shoulderBreadth.valueMm));
    expect(defaults['heightMm']).to.equal(Math.round(adult.waistToShoulder.valueMm));
  });

  it('has plate, faces and walls of every box, straps and belt', () => {
    expect(make('back-frame', { boxes: 0 }).pieces.map((p) => p.id)).to.deep.equal([
      'plate',
      'strap',
      'belt',
    ]);
    expect(make('back-frame', { boxes: 3 }).pieces).to.have.length(3 + 2 * 3);
  });

  it('cuts the plate to size and the belt round the wearer with its overlap', () => {
    const shape = make('back-frame', { widthMm: 400, heightMm: 450, strapOverlapMm: 100 });
    expect(edgeMm(pieceOf(shape, 'plate'), 'top')).to.be.closeTo(400, 1e-6);
    expect(edgeMm(pieceOf(shape, 'plate'), 'left')).to.be.closeTo(450, 1e-6);
    expect(edgeMm(pieceOf(shape, 'belt'), 'top')).to.be.closeTo(
      adult.waistGirth.valueMm + 2 * Math.PI * 3 + 100,
      1e-6,
    );
  });

  it('warns of a frame wider than the shoulders', () => {
    expectCured('back-frame', { widthMm: 560 }, 'wide');
  });

  it('wraps tubes by the foam’s own layer: π(D + 2kt), closed on themselves', () => {
    const shape = make('back-frame', { tubes: 2, tubeMm: 50, tubeLongMm: 300 }, { nominalMm: 6 });
    for (const id of ['tube-1', 'tube-2']) {
      const wrap = pieceOf(shape, id);
      expect(edgeMm(wrap, 'bottom')).to.be.closeTo(Math.PI * (50 + 6), 0.3);
      expect(edgeMm(wrap, 'right')).to.be.closeTo(300, 0.1);
      expect(wrap.edges.find((e) => e.id === 'right')!.mate).to.deep.equal({ pieceId: id, edgeId: 'left' });
    }
    expect(figureOf(shape, 'tube end discs')).to.equal(50);
  });
});
