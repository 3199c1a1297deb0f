import { expect } from 'chai';
import fc from 'fast-check';
import { meshVolume } from '../geometry';
import { mended } from './mended';
import { scanned } from './scanned';
import { egg } from './testing/surfaces';

describe('a simulated scanner', () => {
  const ball = egg(80, 90, 100, 12);

  it('breaks a thing as scanners do, and mending gives it back: one shell, its volume within two percent', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
        const scan = scanned(ball, { seed });
        expect(scan.points.length).to.equal(3 * scan.triangles.length);
        const { mesh, mending } = mended(scan);
        expect(mending.shells).to.equal(1);
        expect(mending.bits).to.be.at.least(1);
        expect(mending.welded).to.be.above(1000);
        expect(Math.abs(meshVolume(mesh)) / Math.abs(meshVolume(ball))).to.be.closeTo(1, 0.02);
      }),
      { numRuns: 8 },
    );
  });

  it('is the same for the same seed, another for another, and in the unit asked', () => {
    expect(scanned(ball, { seed: 3 })).to.deep.equal(scanned(ball, { seed: 3 }));
    expect(scanned(ball, { seed: 3 }).points[0]).to.not.deep.equal(scanned(ball, { seed: 4 }).points[0]);
    const [mm, cm] = [scanned(ball, { seed: 3 }), scanned(ball, { seed: 3, perUnitMm: 10 })];
    expect(cm.points[7]!.x).to.be.closeTo(mm.points[7]!.x / 10, 1e-9);
  });

  it('without faults is the thing itself', () => {
    const clean = scanned(ball, { noiseMm: 0, holes: 0, doubled: 0, turned: 0, specks: 0 });
    expect(meshVolume(clean)).to.be.closeTo(meshVolume(ball), 1e-6);
  });
});
