import { expect } from 'chai';
import fc from 'fast-check';
import { checkOf, expectCured, make } from '../../parts/testing/worn.test';
import { meshVolume } from '../../geometry';
import { radiusAt, roundMesh, roundRoom } from './hollow';

const girths = [
  { zMm: 0, girthMm: 300 },
  { zMm: 50, girthMm: 300 },
  { zMm: 110, girthMm: 90 },
];

describe('a bought thing, opened up', () => {
  it('round by its girths is the cylinder and the frustum of the handbook', () => {
    const [r, s] = [300 / (2 * Math.PI), 90 / (2 * Math.PI)];
    const volume = Math.PI * r * r * 50 + (Math.PI * 60 * (r * r + r * s + s * s)) / 3;
    // A polygon of 96 sides holds 0.07 % less.
    expect(meshVolume(roundMesh(girths)) / volume).to.be.closeTo(1, 0.001);
    expect(radiusAt(girths, 80)).to.be.closeTo((r + s) / 2, 1e-9);
  });

  it('has as much room inside as a wall less all round, nowhere through the case', () => {
    const room = roundRoom(girths, 3);
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: -5, max: 115, noNaN: true }),
        (x, y) => {
          const depth = room.depthAt({ x, y });
          if (depth === undefined) return;
          for (const d of [0, depth / 2, depth]) {
            const at = room.toSpace({ x, y }, d);
            expect(Math.hypot(at.x, at.y)).to.be.at.most(radiusAt(girths, at.z) - 3 + 1e-6);
          }
          expect(y).to.be.within(3, 107);
        },
      ),
    );
    expect(room.depthAt({ x: 0, y: 25 })).to.be.closeTo(300 / Math.PI - 6, 1e-9);
  });

  it('described rooms that reach through the case are told, and one press keeps them within', () => {
    const rooms = [{ acrossMm: 30, upMm: 45, wideMm: 40, highMm: 40, deepMm: 60 }];
    const told = expectCured('donor', { rooms }, 'room-in');
    expect(told.title).to.include('reaches through');
    const cured = make('donor', { rooms });
    const [room] = cured.made.rooms;
    // 36 deep outside, walls of 2.
    expect(room!.depthAt(room!.middle)).to.be.at.most(32);
  });

  it('weighs what the scale said, and wants opening, priming and closing', () => {
    const { made } = make('donor', { massG: 123, screws: 6 });
    expect(made.model.ballast.reduce((sum, b) => sum + b.massG, 0)).to.equal(123);
    expect(made.model.work.map((w) => w.step)).to.deep.equal(['open', 'prime', 'close']);
    expect(made.model.work[0]!.detail).to.include('6 screws');
    expect(made.model.work[0]!.eachMin).to.equal(9);
  });

  it('what ran on the mains is a stop; protection that was cut is said to protect nobody', () => {
    expect(checkOf(make('donor', { power: 'mains' }), 'mains')!.severity).to.equal('stop');
    expect(checkOf(make('donor', { guards: 'yes' }), 'guards')!.title).to.include('protects nobody');
    expect(checkOf(make('donor'), 'mains')).to.equal(undefined);
  });
});
