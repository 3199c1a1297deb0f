import { expect } from 'chai';
import type { Feature } from '../../document';
import { partReport } from '../../parts';
import { contextOf, expectCured, partOf } from '../../parts/testing/worn.test';

const ring = (throughMm: number, holeMm: number, lipMm: number, u = 0.5): Feature => ({
  id: 'ring',
  kind: 'gasket',
  place: { on: 'panel', panel: 'front', u, v: 0.5, turnDeg: 0 },
  params: { throughMm, holeMm, lipMm },
});
const report = (feature: Feature) => partReport(partOf('donor', {}, { features: [feature] }), contextOf());

describe('a gasket ring', () => {
  it('is a ring of 2 mm foam: its bore a millimetre under what passes, its lip beyond the hole', () => {
    const [piece] = report(ring(10, 11, 5)).pieces;
    expect(piece!.thicknessMm).to.equal(2);
    // A polygon of 48 sides holds 0.3 % less than the round.
    expect(piece!.areaMm2 / ((Math.PI / 4) * (21 ** 2 - 9 ** 2))).to.be.closeTo(1, 0.004);
  });

  it('says what does not go through its hole, and one press widens it', () => {
    expectCured('donor', {}, 'gasket-hole-ring', { features: [ring(14, 11, 5)] });
    expect(report(ring(10, 11, 5)).checks).to.deep.equal([]);
  });

  it('says when it stands over an edge', () => {
    expect(report(ring(10, 11, 5, 0.05)).checks.map((c) => c.id)).to.deep.equal(['gasket-edge-ring']);
  });
});
