import { expect } from 'chai';
import fc from 'fast-check';
import { rotate2, type Vec3 } from '../geometry';
import { smallestBox } from './packed';
import { reportOf } from './testing/worn.test';

const boxed = (a: number, b: number, c: number): Vec3[] =>
  [0, 1].flatMap((x) => [0, 1].flatMap((y) => [0, 1].map((z) => ({ x: x * a, y: y * b, z: z * c }))));

describe('packed size', () => {
  it('of a box is the box, however it is turned about one of its axes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), (deg) => {
        const turned = boxed(300, 200, 90).map((p) => ({ ...p, ...rotate2(p, (deg * Math.PI) / 180) }));
        const [a, b, c] = smallestBox(turned);
        expect(a).to.be.closeTo(300, 1e-6);
        expect(b).to.be.closeTo(200, 1e-6);
        expect(c).to.be.closeTo(90, 1e-6);
      }),
      { numRuns: 20 },
    );
  });

  it('of a box turned any way is at most a tenth more than the box', () => {
    const turned = boxed(300, 200, 90).map((p) => {
      const q = { ...p, ...rotate2(p, 0.7) };
      const r = rotate2({ x: q.y, y: q.z }, 0.5);
      return { x: q.x, y: r.x, z: r.y };
    });
    const [a, b, c] = smallestBox(turned);
    expect(a * b * c).to.be.within(300 * 200 * 90 * 0.999, 300 * 200 * 90 * 1.35);
  });

  it('says what lies flat, what nests, and what travels as it stands', () => {
    expect(reportOf('helmet').packed.how).to.equal('as it is');
    expect(reportOf('greave', { gapMm: 30 }).packed.how).to.equal('nested');
    expect(reportOf('belt', { tassets: 0 }).packed.how).to.equal('flat');
    const [a, b, c] = reportOf('helmet').packed.sidesMm;
    expect(a).to.be.within(230, 380);
    expect(b).to.be.within(180, a);
    expect(c).to.be.within(150, b);
  });
});
