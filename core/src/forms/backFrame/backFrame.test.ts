import { expect } from 'chai';
import { meshVolume } from '../../geometry/mesh';
import { adult, edgeMm, expectCured, figureOf, make, pieceOf, rowsOf } from '../../parts/testing/worn.test';
import { backFrame } from './backFrame';

const plate = (widthMm: number, heightMm: number, spacerMm = 0) => ({ widthMm, heightMm, spacerMm });
const box = (more: Record<string, number> = {}) => ({
  widthMm: 160,
  heightMm: 120,
  deepMm: 70,
  acrossMm: 0,
  upMm: 10,
  ...more,
});

describe('back frame', () => {
  it('is as wide as the shoulders and as high as the trunk by default', () => {
    expect(backFrame.defaults(adult)['plates']).to.deep.equal([
      plate(Math.round(adult.shoulderBreadth.valueMm), Math.round(adult.waistToShoulder.valueMm)),
    ]);
  });

  it('has its plate, and a face and four walls for every box, each where it was put', () => {
    expect(make('back-frame', { boxes: [] }).pieces.map((p) => p.id)).to.deep.equal(['plate']);
    const shape = make('back-frame', { boxes: [box(), box({ acrossMm: 120, upMm: 200 })] });
    expect(shape.pieces).to.have.length(1 + 2 * 5);
    const middle = (id: string): { x: number; z: number } => {
      const points = shape
        .surfaces()
        .find((s) => s.pieceId === id)!
        .grid.flat();
      const mean = (k: 'x' | 'z'): number => points.reduce((s, p) => s + p[k], 0) / points.length;
      return { x: mean('x'), z: mean('z') };
    };
    expect(middle('box-2-face').x - middle('box-1-face').x).to.be.closeTo(120, 1e-6);
    expect(middle('box-2-face').z - middle('box-1-face').z).to.be.closeTo(190, 1e-6);
  });

  it('makes boxes of their outside size: walls and face take their own foam off', () => {
    const shape = make('back-frame', { boxes: [box()] }, { nominalMm: 6 });
    const { edgeLines } = shape.solid();
    const across = edgeLines
      .filter((l) => l.pieceId.startsWith('box-1-'))
      .flatMap((l) => l.points.map((p) => p.x));
    expect(Math.max(...across) - Math.min(...across)).to.be.closeTo(160, 1e-6);
    expect(edgeMm(pieceOf(shape, 'box-1-face'), 'bottom')).to.be.within(160 - 12, 160);
    for (const wall of ['front', 'back', 'roof', 'floor']) {
      const piece = pieceOf(shape, `box-1-${wall}`);
      expect(piece.edges.find((e) => e.id === 'bottom')!.attached!.by, wall).to.equal('glue');
    }
  });

  it('keeps plates apart by upright spacers as wide as the gap', () => {
    const shape = make('back-frame', {
      plates: [plate(400, 450), plate(280, 300, 25)],
      boxes: [],
    });
    expect(shape.pieces.map((p) => p.id)).to.deep.equal([
      'plate',
      'spacer-2-right',
      'spacer-2-left',
      'plate-2',
    ]);
    expect(edgeMm(pieceOf(shape, 'spacer-2-right'), 'bottom')).to.be.closeTo(25, 1e-6);
    const y = (id: string): number => shape.surfaces().find((s) => s.pieceId === id)!.grid[0]![0]!.y;
    expect(y('plate') - y('plate-2')).to.be.closeTo(6 + 25, 1e-6);
    expect(meshVolume(shape.solid().mesh)).to.be.greaterThan(0);
  });

  it('has shoulder straps and a belt round the wearer with its overlap, as fastenings', () => {
    const shape = make('back-frame', { strapOverlapMm: 100 });
    const belt = shape.made.model.fastenings.find((f) => f.count === 1)!;
    expect(belt.lengthMm).to.be.closeTo(adult.waistGirth.valueMm + 2 * Math.PI * 3 + 100, 1e-6);
    expect(figureOf(shape, 'belt')).to.equal(belt.lengthMm);
    expect(shape.made.model.fastenings.map((f) => f.count)).to.deep.equal([2, 1]);
  });

  it('warns of a frame wider than the shoulders', () => {
    expectCured('back-frame', { plates: [plate(560, 450)] }, 'wide');
  });

  it('wraps tubes by the foam’s own layer, π(D + 2kt), closed on themselves and by discs', () => {
    const tube = (i: number) => ({ insideMm: 50, longMm: 300, acrossMm: i * 80, upMm: 0 });
    const shape = make('back-frame', { tubes: rowsOf(2, tube) }, { nominalMm: 6 });
    for (const id of ['tube-1', 'tube-2']) {
      const wrap = pieceOf(shape, id);
      expect(edgeMm(wrap, 'bottom')).to.be.closeTo(Math.PI * (50 + 6), 0.3);
      expect(edgeMm(wrap, 'right')).to.be.closeTo(300, 0.1);
      expect(wrap.edges.find((e) => e.id === 'right')!.mate).to.deep.equal({ pieceId: id, edgeId: 'left' });
      // A disc that closes the inside: area πd²/4, its rim as a polygon of 48 sides.
      expect(pieceOf(shape, `${id}-upper`).areaMm2).to.be.closeTo((Math.PI * 50 ** 2) / 4, 8);
    }
  });
});
