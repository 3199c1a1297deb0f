import { expect } from 'chai';
import fc from 'fast-check';
import { litFace } from '../../light';
import type { Feature, Params } from '../../document';
import { partReport, standardKinds } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';
import { alongMm, flatFace, sleeveFace, windingOf, type Wound } from './wound';

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

describe('a strip along a flat core', () => {
  const begun = standardKinds.features
    .get('wound-strip')!
    .start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });
  const laid = (params: Params) => {
    const strip: Feature = {
      id: 's',
      kind: 'wound-strip',
      ...begun,
      params: { ...begun.params, way: 'along', ...params },
    };
    return partReport({ ...partOf('lantern'), features: [strip] }, contextOf());
  };

  it('is cut at marks, in every row of every face', () => {
    // By hand: 120 mm take two segments of 50 mm; two rows on two faces are four runs.
    expect(alongMm({ lengthMm: 120, faces: 2, rows: 2 }, 50)).to.equal(400);
    const report = laid({ lengthMm: 120, wideMm: 20, thickMm: 3, faces: 2, rows: 2 });
    const [item] = report.items;
    expect(item!.steady).to.include({ kind: 'segments', segments: 8 });
    expect(report.bought.find((b) => b.what === '12 V light strip')!.count).to.equal(0.4);
    // As thick as the board and 3 mm of strip on either face, as wide as the board.
    expect(item!.fit!.needMm).to.equal(9);
    expect(item!.fit!.widthMm).to.equal(20);
  });

  it('wider than its core is reported, and fewer rows cure it', () => {
    const report = laid({ wideMm: 20, rows: 3 });
    const reported = report.checks.find((c) => c.id === 'wound-wide-s')!;
    expect(reported.excess).to.be.closeTo(4, 1e-9);
    expect(reported.remedies).to.have.length(1);
    expect(laid({ wideMm: 20, rows: 2 }).checks.some((c) => c.id === 'wound-wide-s')).to.equal(false);
  });

  it('glows the more evenly the more rows lie on a wide board', () => {
    const even = (rows: number): number =>
      litFace(flatFace({ ...wound, wideMm: 80, thickMm: 3, faces: 1, rows, sleeveMm: 40 }), 40).evenness;
    expect(even(4)).to.be.greaterThan(even(1));
  });
});
