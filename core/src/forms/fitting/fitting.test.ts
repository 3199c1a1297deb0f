import { expect } from 'chai';
import fc from 'fast-check';
import { reportOf } from '../../parts/testing/worn.test';

const adapter = (params: Record<string, string | number>) =>
  reportOf('fitting', { kind: 'adapter', rod: 'pvc-2in', smallerMm: 33.4, ...params });

describe('rings between two pipes', () => {
  it('carry at either end and between, not all along', () => {
    const count = (params: Record<string, string | number>) => adapter(params).pieces.length;
    // In 6 mm foam: a place of half the bore of 52.5 mm is 5 rings.
    expect(count({ highMm: 200, rings: 'all' })).to.equal(33);
    expect(count({ highMm: 200, rings: 'carry', everyMm: 150 })).to.equal(15);
    expect(count({ highMm: 200, rings: 'carry', everyMm: 200 })).to.equal(10);
    expect(count({ highMm: 30, rings: 'carry' })).to.equal(5);
  });

  it('begin and end where the pipe does, and leave no more between than asked', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 200 }), fc.integer({ min: 40, max: 200 }), (highMm, everyMm) => {
        const { points } = adapter({ highMm, rings: 'carry', everyMm }).solid.mesh;
        const z = [...new Set(points.map((p) => Math.round(p.z * 10) / 10))].sort((a, b) => a - b);
        expect(z[0]).to.be.closeTo(0, 0.2);
        expect(z.at(-1)).to.be.within(highMm - 3.2, highMm + 3.2);
        expect(Math.max(...z.slice(1).map((h, i) => h - z[i]!))).to.be.at.most(everyMm);
      }),
      { numRuns: 30 },
    );
  });
});
