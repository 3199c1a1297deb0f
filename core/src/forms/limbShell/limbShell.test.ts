import { expect } from 'chai';
import { limbGirthMm, limbLengthMm } from '../../body';
import { dist3, parallelGirth } from '../../geometry';
import { offsetGrid } from '../../panel';
import { adult, bodyOf, checkOf, edgeMm, expectCured, make, pieceOf } from '../../parts/testing/worn.test';

const shells = [
  ['cuff', 'forearm'],
  ['upper-arm', 'upperArm'],
  ['greave', 'lowerLeg'],
  ['thigh', 'thigh'],
] as const;

describe('limb shells', () => {
  for (const [kind, limb] of shells) {
    it(`${kind}: is as long round its lower edge as the limb there, pushed out (Steiner)`, () => {
      const startMm = Math.round(limbLengthMm(adult, limb) * 0.35);
      const shape = make(
        kind,
        { startMm, closure: 'none', easeMm: 0, paddingMm: 4, panels: 1, flareMm: 0, pointMm: 0 },
        { underLayerMm: 2, nominalMm: 2 },
      );
      const want = parallelGirth(limbGirthMm(adult, limb, startMm), 2 + 4 + 1);
      expect(edgeMm(pieceOf(shape, 'a'), 'bottom')).to.be.closeTo(want, want * 0.02);
    });

    it(`${kind}: ends within the limb by default`, () => {
      for (const stature of [1200, 1720, 1980]) {
        const shape = make(kind, {}, { body: bodyOf({ stature }) });
        expect(checkOf(shape, 'long'), `${kind} at ${stature}`).to.equal(undefined);
      }
    });

    it(`${kind}: warns when it crosses the joint`, () => {
      const long = Math.min(600, Math.ceil(limbLengthMm(adult, limb) * 1.3));
      expectCured(kind, { endMm: long }, 'long');
    });

    it(`${kind}: halves are alike and meet`, () => {
      const shape = make(kind, { panels: 2 });
      expect(pieceOf(shape, 'b').areaMm2).to.be.closeTo(pieceOf(shape, 'a').areaMm2, 1e-6);
      expect(edgeMm(pieceOf(shape, 'a'), 'right')).to.be.closeTo(edgeMm(pieceOf(shape, 'b'), 'left'), 1e-6);
    });
  }

  it('leave the gap asked open at the back, on the solid and on the flat, where the foam keeps its length', () => {
    for (const gapMm of [15, 30, 50]) {
      const shape = make('greave', { panels: 1, gapMm, flareMm: 0, closure: 'buckle' });
      for (const row of offsetGrid(shape.surfaces()[0]!.grid, 3))
        expect(dist3(row[0]!, row.at(-1)!)).to.be.within(gapMm * 0.93, gapMm * 1.02);
      const whole = make('greave', { panels: 1, flareMm: 0, closure: 'none' });
      const missing = edgeMm(pieceOf(whole, 'a'), 'bottom') - edgeMm(pieceOf(shape, 'a'), 'bottom');
      // A free edge takes up a little of the stretch, a seam does not.
      expect(missing).to.be.closeTo(gapMm, 2);
    }
  });

  it('let the heel through when open, and say so when closed too tight', () => {
    expectCured('greave', { closure: 'none', easeMm: 5, paddingMm: 0 }, 'pass');
    const open = make('greave', { gapMm: 25 });
    const [heel] = open.clearances;
    expect(heel!.what).to.equal('the heel');
    expect(heel!.openingMm).to.be.greaterThan(heel!.needMm);
  });

  it('rise to a point in front', () => {
    const top = (pointMm: number): number =>
      Math.max(
        ...make('greave', { pointMm })
          .solid()
          .mesh.points.map((p) => p.z),
      );
    expect(top(60) - top(0)).to.be.within(45, 62);
  });

  it('flare at the top', () => {
    const upper = (flareMm: number): number =>
      edgeMm(pieceOf(make('thigh', { panels: 1, flareMm }), 'a'), 'top');
    expect(upper(20) - upper(0)).to.be.closeTo(2 * Math.PI * 20, 18);
  });

  it('follow the swell of the calf, which a straight cone cannot', () => {
    const shape = make('greave', { panels: 1, darts: 0 });
    expect(pieceOf(shape, 'a').stretch!.worst).to.be.greaterThan(0.01);
  });
});
