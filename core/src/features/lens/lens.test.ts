import { expect } from 'chai';
import type { Feature } from '../../document';
import { partReport } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';

const lens = (params: object, u = 0.5): Feature => ({
  id: 'eye',
  kind: 'lens',
  place: { on: 'panel', panel: 'front', u, v: 0.5, turnDeg: 0 },
  params: { acrossMm: 40, thickMm: 3, ledgeMm: 3, lipMm: 8, foamMm: 2, ...params },
});
const report = (feature: Feature) => partReport(partOf('donor', {}, { features: [feature] }), contextOf());

/** Area of a flat ring. */
const ring = (outMm: number, inMm: number): number => (Math.PI / 4) * (outMm ** 2 - inMm ** 2);

describe('a lens recess', () => {
  it('cuts a window that is the ledge, and rings: seat under the lens, keeper over it', () => {
    const { pieces, templates } = report(lens({}));
    // Windows are drilled in the wall of a bought thing, by its template.
    expect(templates.flatMap((t) => t.holes).map((h) => h.diameterMm)).to.deep.equal([34]);
    const [seat, keeper] = pieces;
    // A polygon of 48 sides holds 0.3 % less than the round.
    expect(seat!.areaMm2 / ring(56, 39)).to.be.closeTo(1, 0.004);
    expect(keeper!.areaMm2 / ring(56, 34)).to.be.closeTo(1, 0.004);
    expect(keeper!.thicknessMm).to.equal(2);
    // The seat is glued on before paint, the lens goes in after it.
    const steps = report(lens({})).work.filter((w) => w.step.startsWith('lens'));
    expect(steps.map((w) => `${w.step} ${w.when}`)).to.deep.equal(['lens-seats formed', 'lenses painted']);
  });

  it('has as many layers as the lens is thick, and says how loose it lies in them', () => {
    for (const [thickMm, layers, loose] of [
      [2, 1, false],
      [2.4, 1, false],
      [3, 2, false],
      [4, 2, false],
      [4.6, 3, true],
    ] as const) {
      const { pieces, checks } = report(lens({ thickMm }));
      expect(pieces[0]!.each, `${thickMm} mm`).to.equal(layers);
      expect(
        checks.some((c) => c.id === 'lens-loose-eye'),
        `${thickMm} mm`,
      ).to.equal(loose);
    }
  });

  it('is not cut where its ledge closes it or its window breaks an edge, and tells of a seat over one', () => {
    expect(report(lens({ ledgeMm: 19 })).pieces).to.deep.equal([]);
    expect(report(lens({ ledgeMm: 19 })).checks.map((c) => c.id)).to.deep.equal(['feature-eye']);
    expect(report(lens({}, 0.02)).checks.map((c) => c.id)).to.deep.equal(['feature-eye']);
    expect(report(lens({}, 0.3)).checks.map((c) => c.id)).to.deep.equal(['lens-edge-eye']);
  });
});
