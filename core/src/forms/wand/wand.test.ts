import { expect } from 'chai';
import type { Feature } from '../../document';
import { partReport, standardKinds } from '../../parts';
import { contextOf, checkOf, figureOf, make, partOf, pieceOf, reportOf } from '../../parts/testing/worn.test';

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
    const reported = reportOf('wand', {}, { nominalMm: 5, foamId: 'dense-eva' }).checks.find(
      (c) => c.id === 'wand-way',
    )!;
    expect(reported.remedies.map((c) => c.label)).to.include('Shaft, at the tip 17 mm');
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

  it('with its tip closed by a plate has a lamp there that points along it and raises no stop', () => {
    const at: Feature['place'] = { on: 'panel', panel: 'tip', u: 0.5, v: 0.5, turnDeg: 0 };
    const { params } = standardKinds.features
      .get('lamps')!
      .start({ panel: 'tip', edge: '', at: { x: 0.5, y: 0.5 } });
    const lamp: Feature = { id: 'l', kind: 'lamps', place: at, params: { ...params, count: 1 } };
    const report = partReport(
      { ...partOf('wand', { tip: 'plate', tipAcrossMm: 24 }, { nominalMm: 2 }), features: [lamp] },
      contextOf(),
    );
    expect(report.checks.filter((c) => c.severity === 'stop').map((c) => c.title)).to.deep.equal([]);
    const [item] = report.items;
    expect(item!.normal.z).to.be.closeTo(1, 1e-9);
    expect([item!.at.x, item!.at.y].map(Math.abs).every((mm) => mm < 0.1)).to.equal(true);
    // Its 5 mm hole is in the plate, which is cut 24 mm across.
    const plate = report.pieces.find((p) => p.id === 'tip')!;
    expect(plate.holes.map((h) => h.diameterMm)).to.deep.equal([5]);
    expect(
      Math.max(...plate.outline.map((p) => p.x)) - Math.min(...plate.outline.map((p) => p.x)),
    ).to.be.closeTo(24, 0.1);
  });
});
