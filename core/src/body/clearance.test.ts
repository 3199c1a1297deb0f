import { expect } from 'chai';
import fc from 'fast-check';
import { distanceToEllipse, ellipseAtNormal, type Vec3 } from '../geometry';
import { adult, bodyOf } from '../parts/testing/worn.test';
import { figure, limbFrame, onLimb } from './figure';
import { fromHead, fromHungLimb, fromLimb, fromTorso, intoLimb } from './clearance';
import { earOf, headForm, noseTip } from './head';
import { headAxes } from './sections';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

describe('distance from an ellipse', () => {
  it('is how far a parallel curve was pushed out, inwards up to the tightest radius', () => {
    fc.assert(
      fc.property(mm(40, 200), mm(40, 200), mm(0, 2 * Math.PI), mm(0, 150), (a, b, angle, out) => {
        expect(distanceToEllipse({ a, b }, ellipseAtNormal({ a, b }, angle, out))).to.be.closeTo(out, 1e-6);
        const within = -0.9 * (Math.min(a, b) ** 2 / Math.max(a, b));
        expect(distanceToEllipse({ a, b }, ellipseAtNormal({ a, b }, angle, within))).to.be.closeTo(
          within,
          1e-6,
        );
      }),
    );
  });

  it('agrees with the nearest of many points on it', () => {
    const ellipse = { a: 150, b: 90 };
    for (const p of [
      { x: 20, y: 30 },
      { x: -160, y: 40 },
      { x: 0, y: 0 },
      { x: 149, y: 0 },
    ]) {
      let least = Infinity;
      for (let i = 0; i < 20_000; i++) {
        const t = (i / 20_000) * 2 * Math.PI;
        least = Math.min(least, Math.hypot(p.x - 150 * Math.cos(t), p.y - 90 * Math.sin(t)));
      }
      expect(Math.abs(distanceToEllipse(ellipse, p))).to.be.closeTo(least, 0.01);
    }
  });
});

describe('clearance from the body', () => {
  it('is nothing on the figure’s own skin, for a child and for tall wearers', () => {
    for (const stature of [1150, 1500, 1720, 1950]) {
      const body = bodyOf({ stature });
      const parts = new Map(figure(body).parts.map((p) => [p.name, p.mesh]));
      const torso = fromTorso(body);
      for (const p of parts.get('trunk')!.points.slice(0, -2)) expect(Math.abs(torso(p))).to.be.lessThan(0.5);
      for (const limb of ['upperArm', 'forearm', 'thigh', 'lowerLeg'] as const)
        for (const side of [1, -1] as const) {
          const clearance = fromHungLimb(body, limb, side);
          const { points } = parts.get(`${side === 1 ? 'right' : 'left'} ${limb}`)!;
          for (const p of points.slice(0, -2)) expect(Math.abs(clearance(p)), limb).to.be.lessThan(0.5);
        }
      const head = fromHead(body);
      // What is skin under an ear is inside the ear.
      const ears = ([1, -1] as const).map((side) => earOf(headForm(body), side));
      const underEar = (p: Vec3): boolean =>
        ears.some(({ at, half }) => Math.hypot((p.y - at.y) / half.y, (p.z - at.z) / half.z) < 1.2);
      for (const p of parts.get('head')!.points.slice(0, -2))
        if (!underEar(p)) expect(Math.abs(head(p))).to.be.lessThan(5);
    }
  });

  it('goes into a limb and back', () => {
    for (const place of ['forearm', 'thigh', 'elbow', 'shoulder'] as const)
      for (const side of [1, -1] as const) {
        const frame = limbFrame(adult, place, side);
        const p = { x: 12, y: -30, z: 77 };
        const back = intoLimb(frame, onLimb(frame, p));
        expect(back.x).to.be.closeTo(12, 1e-9);
        expect(back.y).to.be.closeTo(-30, 1e-9);
        expect(back.z).to.be.closeTo(77, 1e-9);
      }
  });

  it('counts the nose: what lies on a flat face presses into it', () => {
    const head = headForm(adult);
    const tip = noseTip(head);
    expect(fromHead(adult)(tip)).to.be.closeTo(0, 0.5);
    expect(fromHead(adult)({ ...tip, y: tip.y - 15 })).to.be.closeTo(-15, 1);
    const flat = bodyOf({ stature: 1720, noseOut: 6 });
    expect(fromHead(flat)(tip)).to.be.closeTo(adult.noseOut.valueMm - 6, 1.5);
  });

  it('leaves the ears where they are measured', () => {
    const low = bodyOf({ stature: 1720, earDepth: 150 });
    for (const side of [1, -1] as const) {
      const { at } = earOf(headForm(low), side);
      expect(fromHead(low)({ ...at, x: at.x + side * 7 })).to.be.closeTo(0, 0.5);
      expect(fromHead(adult)({ ...at, x: at.x + side * 7, z: at.z - 20 })).to.be.greaterThan(3);
    }
  });

  it('is measured along the head’s own axes', () => {
    const { up, centreMm } = headAxes(adult);
    expect(fromHead(adult)({ x: 0, y: fromNose(), z: centreMm + up + 20 })).to.be.within(15, 25);
    function fromNose(): number {
      const points = figure(adult).parts.find((p) => p.name === 'head')!.mesh.points;
      return points.reduce((s, p) => s + p.y, 0) / points.length;
    }
  });

  it('grows past the end of a limb', () => {
    const clearance = fromLimb(adult, 'forearm');
    expect(clearance({ x: 0, y: 0, z: -40 })).to.be.closeTo(40, 1e-6);
  });
});
