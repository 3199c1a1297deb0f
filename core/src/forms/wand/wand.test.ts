import { expect } from 'chai';
import { checkOf, figureOf, make, pieceOf, reportOf } from '../../parts/testing/worn.test';

describe('a rod', () => {
  it('is rolled from sleeves of the sheet-metal pattern: the sector of a cone at its neutral layer', () => {
    const rod = make(
      'wand',
      { buttAcrossMm: 40, tipAcrossMm: 20, shaftMm: 300 },
      { nominalMm: 4, foamId: 'dense-eva' },
    );
    const sleeve = pieceOf(rod, 'sleeve-1');
    // Outside 40 to 20 in 4 mm foam of k = 0.5: the neutral layer is 36 and 16 across (square ends, slope nearly upright).
    const lower = sleeve.edges.find((e) => e.id === 'bottom')!.lengthMm;
    const upper = sleeve.edges.find((e) => e.id === 'top')!.lengthMm;
    expect(lower).to.be.closeTo(Math.PI * 36, 0.6);
    expect(upper).to.be.closeTo(Math.PI * 16, 0.6);
    // R₁ = r₁·s/(r₁ − r₂), the angle of the sector 2π·r₁/R₁ (frustum of a cone, sheet-metal pattern tables).
    const slant = Math.hypot(300, 10);
    const area = (Math.PI * (36 + 16) * slant) / 2;
    expect(sleeve.areaMm2 / area).to.be.closeTo(1, 0.01);
  });

  it('says whether coin cells and wires go in, and how to make room', () => {
    const plain = reportOf('wand', {}, { nominalMm: 2, foamId: 'dense-eva' });
    expect(plain.figures.find((f) => f.key === 'hollow')!.label).to.match(/coin cells/);
    expect(plain.checks.filter((c) => c.severity === 'stop' || c.id === 'wand-way')).to.have.length(0);
    const thick = make('wand', {}, { nominalMm: 5, foamId: 'dense-eva' });
    expect(figureOf(thick, 'way')).to.be.closeTo(6, 1e-9);
    expect(checkOf(thick, 'wand-way')!.excess).to.be.closeTo(1, 1e-9);
    const told = reportOf('wand', {}, { nominalMm: 5, foamId: 'dense-eva' }).checks.find(
      (c) => c.id === 'wand-way',
    )!;
    expect(told.cures.map((c) => c.label)).to.include('Shaft, at the tip 17 mm');
  });

  it('is closed by a collar that both the handle and the shaft rest on, with the way for the wires through it', () => {
    const rod = make('wand', {}, { nominalMm: 2, foamId: 'dense-eva' });
    const collar = pieceOf(rod, 'collar');
    const across = (ring: readonly { x: number }[]): number =>
      Math.max(...ring.map((p) => p.x)) - Math.min(...ring.map((p) => p.x));
    expect(across(collar.outline)).to.be.closeTo(32, 0.1);
    const hole = collar.marks.find((m) => m.kind === 'slot')!;
    expect(across(hole.points)).to.be.closeTo(24 - 2 * 2, 0.1);
    // Nothing hangs in the air: the solid runs from butt to tip without a gap along the axis.
    const heights = rod.solid().mesh.points.map((p) => p.z);
    expect(Math.min(...heights)).to.be.closeTo(-2, 1e-6);
    expect(Math.max(...heights)).to.be.closeTo(120 + 2 + 280, 0.3);
  });

  it('is held at its handle and takes a lamp at its tip', () => {
    const rod = reportOf('wand');
    expect(rod.heldAt!.z).to.equal(60);
    expect(rod.anchors.map((a) => a.id)).to.include('tip');
    expect(rod.rooms.map((r) => r.id)).to.include.members(['handle', 'shaft']);
  });
});
