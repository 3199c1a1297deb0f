import { expect } from 'chai';
import fc from 'fast-check';
import { headForm, noseTip } from '../body';
import { adult } from '../parts/testing/worn.test';
import { faceLight, luxOn, type Spotlight, veilAt } from './faceLight';

const lamp = (over: Partial<Spotlight> = {}): Spotlight => ({
  at: { x: 0, y: 0, z: 0 },
  normal: { x: 0, y: 1, z: 0 },
  candela: 2,
  halfDeg: 30,
  ...over,
});

describe('light on a face', () => {
  it('follows the inverse square and the cosine of incidence: one candela at one metre is one lux', () => {
    const one = lamp({ candela: 1 });
    const back = { x: 0, y: -1, z: 0 };
    expect(luxOn(one, { x: 0, y: 1000, z: 0 }, back)).to.be.closeTo(1, 1e-12);
    expect(luxOn(one, { x: 0, y: 500, z: 0 }, back)).to.be.closeTo(4, 1e-12);
    const slant = { x: 0, y: -Math.cos(Math.PI / 3), z: Math.sin(Math.PI / 3) };
    expect(luxOn(one, { x: 0, y: 1000, z: 0 }, slant)).to.be.closeTo(0.5, 1e-12);
  });

  it('has fallen to half at the half angle, and lights nothing behind it', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 75, noNaN: true }), (halfDeg) => {
        const t = (halfDeg * Math.PI) / 180;
        const spot = { x: 1000 * Math.sin(t), y: 1000 * Math.cos(t), z: 0 };
        const facing = { x: -Math.sin(t), y: -Math.cos(t), z: 0 };
        expect(luxOn(lamp({ halfDeg }), spot, facing)).to.be.closeTo(1, 1e-9);
      }),
    );
    expect(luxOn(lamp(), { x: 0, y: -500, z: 0 }, { x: 0, y: 1, z: 0 })).to.equal(0);
  });

  it('veils sight by ten times the lux over the square of the angle (Stiles and Holladay)', () => {
    // A lamp one metre ahead and 10° up that shines back at the eye: 2 lx times the cosine of 10°.
    const t = (10 * Math.PI) / 180;
    const at = { x: 0, y: 1000 * Math.cos(t), z: 1000 * Math.sin(t) };
    const toEye = { x: 0, y: -Math.cos(t), z: -Math.sin(t) };
    expect(veilAt({ x: 0, y: 0, z: 0 }, lamp({ at, normal: toEye }))).to.be.closeTo(
      (10 * 2 * Math.cos(t)) / 100,
      1e-9,
    );
    // Behind the brow it is not seen.
    expect(
      veilAt({ x: 0, y: 0, z: 0 }, lamp({ at: { x: 0, y: -10, z: 60 }, normal: { x: 0, y: 0, z: -1 } })),
    ).to.equal(0);
  });

  it('from a peak is brighter the nearer and the more lamps, and nothing when they look away', () => {
    const nose = noseTip(headForm(adult));
    const under = (up: number, ahead = 50): Spotlight =>
      lamp({
        at: { x: 0, y: nose.y + ahead, z: nose.z + up },
        normal: { x: 0, y: -0.5, z: -Math.sqrt(0.75) },
        halfDeg: 60,
      });
    const near = faceLight(adult, [under(70)])!;
    const far = faceLight(adult, [under(140)])!;
    expect(near.faceLux).to.be.above(far.faceLux);
    expect(faceLight(adult, [under(70), under(70)])!.faceLux).to.be.closeTo(2 * near.faceLux, 1e-9);
    expect(near.nearestMm).to.be.closeTo(Math.hypot(50, 70), 1e-9);
    expect(faceLight(adult, [lamp({ at: { x: 0, y: nose.y + 50, z: nose.z + 70 } })])).to.equal(undefined);
    expect(faceLight(adult, [])).to.equal(undefined);
  });
});
