import { expect } from 'chai';
import fc from 'fast-check';
import { litFace } from '../../light';
import { sleeveFace, windingOf, type Wound } from './wound';

const wound: Wound = {
  coreMm: 20,
  lengthMm: 200,
  pitchMm: 25,
  sleeveMm: 80,
  lampMm: 50 / 3,
  diffuser: 'pe-3',
  layers: 1,
};

describe('a strip wound on a core', () => {
  it('is as long as its helix walked in small steps', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 100, noNaN: true }),
        fc.double({ min: 8, max: 120, noNaN: true }),
        fc.double({ min: 20, max: 900, noNaN: true }),
        (coreMm, pitchMm, lengthMm) => {
          const { turns, stripMm } = windingOf({ coreMm, pitchMm, lengthMm });
          let walked = 0;
          let before: readonly [number, number, number] = [coreMm / 2, 0, 0];
          const steps = Math.ceil(turns * 400);
          for (let i = 1; i <= steps; i++) {
            const a = ((2 * Math.PI * turns) / steps) * i;
            const at = [
              (coreMm / 2) * Math.cos(a),
              (coreMm / 2) * Math.sin(a),
              (lengthMm / steps) * i,
            ] as const;
            walked += Math.hypot(at[0] - before[0], at[1] - before[1], at[2] - before[2]);
            before = at;
          }
          expect(stripMm / walked).to.be.closeTo(1, 1e-4);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('glows the more evenly the closer its turns, the further its sleeve, and the more layers', () => {
    const even = (change: Partial<Wound>): number =>
      litFace(sleeveFace({ ...wound, ...change }), 40).evenness;
    expect(even({ pitchMm: 15 })).to.be.greaterThan(even({ pitchMm: 60 }));
    expect(even({ sleeveMm: 120 })).to.be.greaterThan(even({ sleeveMm: 40 }));
    expect(even({ pitchMm: 60, layers: 3 })).to.be.greaterThan(even({ pitchMm: 60 }));
  });
});
