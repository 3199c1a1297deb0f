import { expect } from 'chai';
import fc from 'fast-check';
import { add3, length3, scale3, type Vec3 } from '../../geometry';
import { runs } from '../../units/testing/sampled';
import { largest } from './largest';

describe('the longest combination of vectors', () => {
  it('is no less than in any direction tried, and hardly more than in the best of them', () => {
    const number = fc.double({ min: -50, max: 50, noNaN: true });
    const vector = fc.record({ x: number, y: number, z: number });
    fc.assert(
      fc.property(vector, vector, vector, (a, b, c) => {
        let best = 0;
        for (let i = 0; i < 60; i++)
          for (let j = 0; j < 60; j++) {
            const [s, t] = [(Math.PI * i) / 60, (Math.PI * j) / 60];
            const way: Vec3 = { x: Math.sin(s) * Math.cos(t), y: Math.sin(s) * Math.sin(t), z: Math.cos(s) };
            best = Math.max(best, length3(add3(add3(scale3(a, way.x), scale3(b, way.y)), scale3(c, way.z))));
          }
        const found = largest([a, b, c]);
        expect(found).to.be.at.least(best * 0.999 - 1e-9);
        expect(found).to.be.at.most(best * 1.002 + 1e-9);
      }),
      { numRuns: runs(60) },
    );
  });

  it('is the length of one vector alone', () => {
    expect(largest([{ x: 2, y: -3, z: 6 }])).to.be.closeTo(7, 1e-12);
    expect(largest([{ x: 0, y: 0, z: 0 }])).to.equal(0);
  });
});
