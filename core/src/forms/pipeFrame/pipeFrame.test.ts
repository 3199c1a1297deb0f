import { expect } from 'chai';
import fc from 'fast-check';
import { add3, cross3, dist3, dot3, length3, scale3, sub3, unit3, type Vec3 } from '../../geometry';
import { resolveBody } from '../../body';
import { newPart, standardKinds } from '../../parts';
import { reportOf } from '../../parts/testing/worn.test';
import { byId, itemAt } from '../../units';
import type { PipeFrameParams } from './fields';

type CornerRow = PipeFrameParams['corners'][number];

const corner = (
  acrossMm: number,
  forwardMm: number,
  upMm: number,
  rest: Partial<CornerRow> = {},
): CornerRow => ({
  acrossMm,
  forwardMm,
  upMm,
  joint: 'fitting',
  radiusMm: 0,
  ...rest,
});

const frame = (corners: CornerRow[], pipes: [number, number][], rest: Partial<PipeFrameParams> = {}) =>
  reportOf('pipe-frame', {
    rod: 'pvc-32mm',
    corners: corners as never,
    pipes: pipes.map(([from, to]) => ({ from, to })) as never,
    ...rest,
  });

const cuts = (report: ReturnType<typeof frame>): number[] => report.sticks.flatMap((s) => s.cutMm);
const D = 32;

describe('a frame of pipes', () => {
  it('saws pipes short by the take-off of their fittings: half the outside and 1 mm (ISO 264)', () => {
    const report = frame(
      [corner(0, 0, 0), corner(300, 0, 0), corner(300, 0, 500), corner(0, 0, 500)],
      [
        [1, 2],
        [2, 3],
        [3, 4],
        [4, 1],
      ],
    );
    expect(cuts(report)).to.deep.equal([266, 466, 266, 466]);
    expect(report.bought.find((b) => b.what.startsWith('90° elbow'))!.count).to.equal(4);
    // By the elbow that is in the hand.
    expect(
      cuts(
        frame(
          [corner(0, 0, 0), corner(300, 0, 0), corner(300, 0, 500)],
          [
            [1, 2],
            [2, 3],
          ],
          { takeOffMm: 20 },
        ),
      ),
    ).to.deep.equal([280, 480]);
  });

  it('finds the fitting by the angles: coupler, elbows, tee, cross, three-way corner, cap, flange', () => {
    const arms: Vec3[] = [
      { x: 300, y: 0, z: 0 },
      { x: -300, y: 0, z: 0 },
      { x: 0, y: 0, z: 300 },
      { x: 0, y: 0, z: -300 },
      { x: 0, y: 300, z: 0 },
      { x: 300, y: 0, z: 300 },
      { x: 120, y: 0, z: 300 },
    ];
    const at = (...chosen: number[]) => {
      const ends = chosen.map((i) => itemAt(arms, i));
      const report = frame(
        [corner(0, 0, 0), ...ends.map((e) => corner(e.x, e.y, e.z, { joint: 'sawn' }))],
        ends.map((_, i) => [1, i + 2] as [number, number]),
      );
      return report.bought.map((b) => b.what.split(',')[0]);
    };
    expect(at(0, 1)).to.deep.equal(['coupler']);
    expect(at(0, 2)).to.deep.equal(['90° elbow']);
    expect(at(1, 5)).to.deep.equal(['45° elbow']);
    expect(at(0, 1, 2)).to.deep.equal(['tee']);
    expect(at(0, 2, 4)).to.deep.equal(['three-way corner']);
    expect(at(0, 1, 2, 3)).to.deep.equal(['cross']);
    expect(at(0, 6)).to.deep.equal([]);
    const ends = frame([corner(0, 0, 0), corner(0, 0, 300, { joint: 'flange' })], [[1, 2]]);
    expect(ends.bought.map((b) => `${b.count} ${b.what.split(',')[0]}`)).to.deep.equal([
      '1 end cap',
      '1 floor flange',
      '4 pan-head screw',
    ]);
  });

  it('lets a bent pipe run on, by the length of its middle', () => {
    const report = frame(
      [
        corner(0, 0, 0, { joint: 'sawn' }),
        corner(0, 0, 400, { joint: 'bent', radiusMm: 120 }),
        corner(300, 0, 400, { joint: 'sawn' }),
      ],
      [
        [1, 2],
        [2, 3],
      ],
    );
    const [length] = cuts(report);
    expect(cuts(report)).to.have.length(1);
    expect(length).to.be.closeTo(280 + 180 + (Math.PI / 2) * 120, 1e-6);
    // As drawn: chords of the bend are a little shorter than its arc.
    const drawn = report.sticks.reduce((sum, s) => sum + dist3(s.from, s.to), 0);
    expect(drawn).to.be.within(length! * 0.995, length!);
    // Bits follow each other without a gap, and the bend leaves in the line of the second pipe.
    const bits = report.sticks.filter((s) => s.name.startsWith('bend'));
    expect(dist3(bits[0]!.from, { x: 0, y: 0, z: 280 })).to.be.lessThan(1e-6);
    expect(dist3(bits.at(-1)!.to, { x: 120, y: 0, z: 400 })).to.be.lessThan(1e-6);
  });

  it('saws a branch so that every point of its end lies on the pipe it sits on', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 90 }), fc.integer({ min: 150, max: 500 }), (deg, mm) => {
        const lean = (deg * Math.PI) / 180;
        const away = { x: Math.sin(lean), y: 0, z: Math.cos(lean) };
        const tip = scale3(away, mm);
        const report = frame(
          [
            corner(0, 0, -300, { joint: 'sawn' }),
            corner(0, 0, 0, { joint: 'sawn' }),
            corner(0, 0, 300, { joint: 'sawn' }),
            corner(tip.x, tip.y, tip.z, { joint: 'sawn' }),
          ],
          [
            [1, 2],
            [2, 3],
            [2, 4],
          ],
        );
        // The main runs through: two lengths to saw.
        expect(cuts(report)).to.have.length(2);
        expect(cuts(report)[0]).to.be.closeTo(600, 1e-6);
        const branch = report.sticks.find((s) => s.sawn)!;
        const start = length3(branch.from);
        const [wrap] = branch.sawn!;
        // Rolled back round the branch: its outside or its bore touches the main's skin, nothing of it is inside.
        const side = { x: 0, y: 1, z: 0 };
        const lead = unit3(cross3(side, away));
        for (const { x, y } of wrap!.line) {
          const turn = (2 * x) / D;
          const radii = [D / 2, D / 2 - 2.4].map((r) => {
            const p = add3(
              scale3(away, start * Math.sign(dot3(branch.from, away)) + y),
              add3(scale3(lead, -r * Math.cos(turn)), scale3(side, r * Math.sin(turn))),
            );
            return Math.hypot(p.x, p.y);
          });
          expect(Math.min(...radii)).to.be.greaterThan(D / 2 - 0.01);
          expect(Math.min(...radii)).to.be.lessThan(D / 2 + 0.01);
        }
        return true;
      }),
      { numRuns: 40 },
    );
  });

  it('mitres two pipes by half their turn, long points counted', () => {
    const report = frame(
      [
        corner(0, 0, 0, { joint: 'sawn' }),
        corner(0, 0, 400, { joint: 'sawn' }),
        corner(200, 0, 600, { joint: 'sawn' }),
      ],
      [
        [1, 2],
        [2, 3],
      ],
    );
    const half = (D / 2) * Math.tan(Math.PI / 8);
    expect(cuts(report)[0]).to.be.closeTo(400 + half, 1e-6);
    expect(cuts(report)[1]).to.be.closeTo(Math.hypot(200, 200) + half, 1e-6);
    expect(report.sticks.flatMap((s) => s.sawn ?? []).map((w) => w.name)).to.deep.equal([
      'pipe 1 to 2, end at corner 2',
      'pipe 2 to 3, end at corner 2',
    ]);
  });

  it('names what cannot be joined, what kinks, what is too short, and cures what it can', () => {
    const ids = (report: ReturnType<typeof frame>) => report.checks.map((c) => c.id);
    const skew = frame(
      [corner(0, 0, 0), corner(0, 0, 300), corner(120, 0, 600)],
      [
        [1, 2],
        [2, 3],
      ],
    );
    expect(ids(skew)).to.include('unsold-2');
    const three = frame(
      [corner(0, 0, 0), corner(300, 0, 90), corner(-200, 90, 250), corner(0, -300, 150)],
      [
        [1, 2],
        [1, 3],
        [1, 4],
      ],
    );
    expect(ids(three)).to.include('corner-1');
    const tight = frame(
      [corner(0, 0, 0), corner(0, 0, 400, { joint: 'bent', radiusMm: 60 }), corner(300, 0, 400)],
      [
        [1, 2],
        [2, 3],
      ],
    );
    const kink = byId(tight.checks, 'kink-2');
    expect(kink?.remedies[0]!.changes).to.deep.equal([
      { path: ['params', 'corners', 1, 'radiusMm'], value: 96 },
    ]);
    const short = frame(
      [corner(0, 0, 0), corner(50, 0, 0), corner(50, 0, 300)],
      [
        [1, 2],
        [2, 3],
      ],
    );
    expect(ids(short)).to.include('short-1');
    const apart = frame(
      [corner(0, 0, 0), corner(0, 0, 300), corner(200, 0, 0), corner(200, 0, 300)],
      [
        [1, 2],
        [3, 4],
        [4, 9],
      ],
    );
    expect(ids(apart)).to.include.members(['pipes-apart', 'pipes-lost']);
  });

  it('stays in numbers whatever is typed: pipes twice, back on themselves, from nowhere to nowhere, all in one place', () => {
    const value = fc.integer({ min: -60, max: 60 });
    const joint = fc.constantFrom('fitting' as const, 'sawn' as const, 'bent' as const, 'flange' as const);
    const rows = fc.array(
      fc
        .tuple(value, value, value, joint)
        .map(([x, y, z, j]) => corner(x * 10, y * 10, z * 10, { joint: j })),
      { minLength: 2, maxLength: 6 },
    );
    const pipes = fc.array(fc.tuple(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 1, max: 7 })), {
      minLength: 1,
      maxLength: 10,
    });
    const { silhouette } = standardKinds.forms.get('pipe-frame')!;
    fc.assert(
      fc.property(rows, pipes, (corners, between) => {
        const report = frame(corners, between as [number, number][]);
        const { params } = newPart('p', { name: 'x', underLayerMm: 0, measures: [] }, 'pipe-frame');
        const outline = silhouette(
          { ...params, corners: corners as never, pipes: between.map(([from, to]) => ({ from, to })) },
          resolveBody([]),
        );
        const numbers = [
          ...cuts(report),
          report.totalG,
          ...report.sticks.flatMap((s) => [s.from.x, s.from.y, s.from.z, s.to.x, s.to.y, s.to.z]),
          ...outline.flatMap((p) => [p.x, p.y]),
        ];
        for (const n of numbers) expect(Math.abs(n)).to.be.lessThan(2e5);
      }),
      { numRuns: 150 },
    );
  });

  it('says what is not done as asked, what turns back too sharply, and a ring without a joint', () => {
    const ids = (report: ReturnType<typeof frame>) => report.checks.map((c) => c.id);
    const tee = frame(
      [corner(-300, 0, 0), corner(0, 0, 0, { joint: 'bent' }), corner(300, 0, 0), corner(0, 0, 300)],
      [
        [1, 2],
        [2, 3],
        [2, 4],
      ],
    );
    expect(byId(tee.checks, 'otherwise-2')!.remedies[0]!.changes).to.deep.equal([
      { path: ['params', 'corners', 1, 'joint'], value: 'fitting' },
    ]);
    const back = frame(
      [corner(0, 0, 0), corner(0, 0, 400), corner(60, 0, 0)],
      [
        [1, 2],
        [2, 3],
      ],
    );
    expect(back.checks.find((c) => c.id === 'corner-2')!.severity).to.equal('stop');
    const square = (joint: 'bent' | 'fitting') =>
      frame(
        [
          corner(0, 0, 0, { joint }),
          ...[
            [300, 0],
            [300, 300],
            [0, 300],
          ].map(([x, z]) => corner(x!, 0, z!, { joint: 'bent', radiusMm: 100 })),
        ],
        [
          [1, 2],
          [2, 3],
          [3, 4],
          [4, 1],
        ],
      );
    expect(ids(square('bent'))).to.include('ring-1');
    expect(ids(square('fitting'))).to.deep.equal([]);
    // The same pipe twice, the other way round: left out and named.
    expect(
      ids(
        frame(
          [corner(0, 0, 0), corner(0, 0, 300)],
          [
            [1, 2],
            [2, 1],
          ],
        ),
      ),
    ).to.deep.equal(['pipes-lost']);
  });

  it('weighs what its pipes weigh', () => {
    const report = frame(
      [corner(0, 0, 0, { joint: 'sawn' }), corner(0, 0, 500, { joint: 'sawn' })],
      [[1, 2]],
    );
    // 32 × 2.4 mm pressure pipe of 1400 kg/m³: π/4 (32² − 27.2²) · 500 mm.
    const grams = (Math.PI / 4) * (32 ** 2 - 27.2 ** 2) * 500 * 1400e-6;
    expect(report.weight.massG).to.be.greaterThan(grams * 0.999);
    expect(sub3(report.weight.at, { x: 0, y: 0, z: 250 }).z).to.be.closeTo(0, 1);
  });

  it('begins as a whole frame that nothing is wrong with', () => {
    const { params } = newPart('p', { name: 'x', underLayerMm: 0, measures: [] }, 'pipe-frame');
    const report = reportOf('pipe-frame', params);
    expect(report.checks.map((c) => c.id)).to.deep.equal([]);
    expect(report.bought.map((b) => `${b.count} ${b.what.split(',')[0]}`)).to.deep.equal([
      '4 90° elbow',
      '2 tee',
    ]);
  });
});
