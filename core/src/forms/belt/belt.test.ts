import { expect } from 'chai';
import {
  areaOf,
  bodyOf,
  checkOf,
  edgeMm,
  expectCured,
  figureOf,
  foam,
  make,
  pieceOf,
} from '../../parts/testing/worn.test';

describe('belt with tassets', () => {
  it('has a belt and as many tassets as asked', () => {
    for (const tassets of [0, 1, 5]) expect(make('belt', { tassets }).pieces).to.have.length(tassets + 1);
  });

  it('goes round the waist with its overlap', () => {
    const slim = figureOf(
      make('belt', {}, { body: bodyOf({ stature: 1720, waistGirth: 700, hipGirth: 950 }) }),
      'belt',
    );
    const stout = figureOf(
      make('belt', {}, { body: bodyOf({ stature: 1720, waistGirth: 900, hipGirth: 950 }) }),
      'belt',
    );
    expect(stout - slim).to.be.within(90, 220);
    expect(
      figureOf(make('belt', { overlapMm: 100 }), 'belt') - figureOf(make('belt', { overlapMm: 40 }), 'belt'),
    ).to.be.closeTo(60, 1e-9);
  });

  it('hangs tassets as wide and as long as asked', () => {
    const tasset = pieceOf(
      make('belt', { tassets: 1, tassetWidthMm: 120, tassetMm: 180, flareMm: 0 }),
      'tasset-1',
    );
    expect(edgeMm(tasset, 'top')).to.be.within(112, 140);
    expect(edgeMm(tasset, 'right')).to.be.within(178, 190);
    expect(edgeMm(tasset, 'bottom')).to.be.lessThan(edgeMm(tasset, 'top'));
  });

  it('cuts left and right tassets alike', () => {
    const shape = make('belt', { tassets: 3 });
    expect(pieceOf(shape, 'tasset-1').areaMm2).to.be.closeTo(pieceOf(shape, 'tasset-3').areaMm2, 5);
  });

  it('warns when they would strike the knee', () => {
    expectCured('belt', { tassetMm: 400, atMm: -200 }, 'knee');
    expect(checkOf(make('belt'), 'knee')).to.equal(undefined);
  });

  it('takes another foam for tassets', () => {
    const shape = make('belt', { tassetFoam: 10 });
    expect(pieceOf(shape, 'tasset-1').nominalMm).to.equal(10);
    expect(pieceOf(shape, 'belt').nominalMm).to.equal(6);
    expect(areaOf(shape)).to.be.greaterThan(0);
  });
});

describe('belt of a stout wearer', () => {
  it('is glued from lengths that fit a sheet, as long together as the belt of one', () => {
    const body = bodyOf({ stature: 1720, chestGirth: 1180, waistGirth: 1250 });
    const { pieces } = make('belt', { tassets: 0 }, { body });
    expect(pieces.map((p) => p.name)).to.deep.equal(['belt, length 1', 'belt, length 2']);
    const sheet = foam(6);
    for (const p of pieces) expect(edgeMm(p, 'top')).to.be.lessThan(Math.max(sheet.widthMm, sheet.heightMm));
    expect(edgeMm(pieces[0]!, 'right')).to.be.closeTo(edgeMm(pieces[1]!, 'left'), 0.5);
    expect(pieces.reduce((sum, p) => sum + edgeMm(p, 'top'), 0)).to.be.within(1250, 1420);
  });
});
