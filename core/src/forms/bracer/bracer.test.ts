import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody } from '../../body/estimate';
import type { Measure, MeasureKey } from '../../body/measures';
import { parallelGirth } from '../../geometry/ellipse';
import { contains, signedArea } from '../../geometry/polygon';
import { triangleArea } from '../../geometry/mesh';
import { dist3 } from '../../geometry/vec';
import { catalogue } from '../../materials/catalogue';
import { foamSheet, type FoamSheet } from '../../materials/stock';
import type { FormInput } from '../contract';
import { bracer } from './bracer';
import type { BracerParams } from './params';
import { bracerSurface, ruling } from './surface';

const dense = (nominalMm: number): FoamSheet => foamSheet(catalogue.foams, [], 'dense-eva', nominalMm)!;

const bodyOf = (values: Partial<Record<MeasureKey, number>>) =>
  resolveBody(
    (Object.entries(values) as [MeasureKey, number][]).map(([key, valueMm]): Measure => ({
      key,
      valueMm,
      source: 'tape',
      takenOn: '2026-03-01',
    })),
  );

const adult = bodyOf({
  stature: 1720,
  wristGirth: 168,
  forearmGirth: 280,
  forearmGirthAt: 175,
  elbowGirth: 268,
  forearmLength: 248,
  handGirth: 200,
  handLength: 186,
});

const input = (
  change: Partial<BracerParams> = {},
  over: Partial<FormInput<BracerParams>> = {},
): FormInput<BracerParams> => ({
  params: { ...bracer.defaults(adult), ...change },
  body: adult,
  underLayerMm: 2,
  foam: dense(6),
  sheetOf: dense,
  ...over,
});

const anyArm = fc
  .record({
    wrist: fc.double({ min: 110, max: 210, noNaN: true }),
    swell: fc.double({ min: 1.25, max: 1.9, noNaN: true }),
    taper: fc.double({ min: 0.85, max: 1, noNaN: true }),
    length: fc.double({ min: 130, max: 300, noNaN: true }),
    thickness: fc.constantFrom(2, 4, 5, 6, 8, 10),
    k: fc.double({ min: 0.3, max: 0.55, noNaN: true }),
    gap: fc.double({ min: 0, max: 40, noNaN: true }),
    panels: fc.constantFrom(1 as const, 2 as const),
    closed: fc.boolean(),
    gapAtDeg: fc.integer({ min: 0, max: 359 }),
  })
  .map((arm): FormInput<BracerParams> => {
    const body = bodyOf({
      stature: 1700,
      wristGirth: arm.wrist,
      forearmGirth: arm.wrist * arm.swell,
      elbowGirth: arm.wrist * arm.swell * arm.taper,
      forearmLength: arm.length,
      forearmGirthAt: arm.length * 0.7,
    });
    const foam = dense(arm.thickness);
    return {
      params: {
        ...bracer.defaults(body),
        gapMm: arm.gap,
        gapAtDeg: arm.gapAtDeg,
        panels: arm.panels,
        closure: arm.closed ? 'none' : 'lacing',
      },
      body,
      underLayerMm: 2,
      sheetOf: dense,
      foam: { ...foam, neutralFraction: { value: arm.k, sure: 'measured' } },
    };
  });

describe('bracer', () => {
  it('wraps the arm at the girth of its neutral surface', () => {
    const made = bracer.shape(input({ startMm: 0, wristEnd: 'straight', closure: 'none', elbowCutMm: 0 }));
    const cuff = made.pieces[0]!.edges.find((e) => e.id === 'cuff')!;
    const standOff = 2 + 3 + 12 / (2 * Math.PI);
    // Steiner in the section's plane; the true normal leans a few degrees, which is the small difference.
    expect(cuff.lengthMm).to.be.closeTo(parallelGirth(168, standOff + 3), 0.2);
  });

  it('loses the gap from the cuff edge', () => {
    const open = bracer.shape(input({ wristEnd: 'straight', gapMm: 20 })).pieces[0]!.edges[0]!.lengthMm;
    const closed = bracer.shape(input({ wristEnd: 'straight', closure: 'none' })).pieces[0]!.edges[0]!
      .lengthMm;
    expect(closed - open).to.be.closeTo(20, 0.05);
  });

  it('keeps mating seams within 0.5 mm for random arms and foams', () => {
    fc.assert(
      fc.property(anyArm, (given) => {
        const made = bracer.shape(given);
        const edges = made.pieces.flatMap((p) => p.edges.map((e) => ({ ...e, pieceId: p.id })));
        for (const e of edges.filter((x) => x.joint === 'seam')) {
          const mate = edges.find((x) => x.pieceId === e.mate!.pieceId && x.id === e.mate!.edgeId)!;
          expect(Math.abs(e.lengthMm - mate.lengthMm)).to.be.lessThan(0.5);
        }
        const flat = made.pieces.reduce((sum, p) => sum + signedArea(p.outline), 0);
        expect(flat).to.be.greaterThan(0);
        expect(made.pieces.every((p) => p.outline.every((v) => Number.isFinite(v.x + v.y)))).to.equal(true);
      }),
      { numRuns: 60 },
    );
  });

  it('keeps the area of the neutral surface within 0.1 %, against triangles in space', () => {
    fc.assert(
      fc.property(anyArm, (given) => {
        const params: BracerParams = {
          ...given.params,
          closure: 'none',
          wristEnd: 'straight',
          elbowCutMm: 0,
        };
        const flat = bracer.shape({ ...given, params }).pieces.reduce((sum, p) => sum + p.areaMm2, 0);
        const surface = bracerSurface({ ...given, params });
        const outMm = given.foam.neutralFraction.value * given.foam.thicknessMm.value;
        const n = 720;
        const rulings = Array.from({ length: n + 1 }, (_, i) =>
          ruling(surface, (i / n) * 2 * Math.PI, outMm),
        );
        let inSpace = 0;
        for (let i = 0; i < n; i++) {
          const [a, b] = [rulings[i]!, rulings[i + 1]!];
          inSpace += triangleArea(a.low, b.low, b.high) + triangleArea(a.low, b.high, a.high);
        }
        expect(flat).to.be.closeTo(inSpace, inSpace * 0.001);
      }),
      { numRuns: 40 },
    );
  });

  it('grows with thickness and with k', () => {
    fc.assert(
      fc.property(anyArm, (given) => {
        const base = bracer.shape(given);
        const thicker = bracer.shape({
          ...given,
          foam: { ...given.foam, thicknessMm: { value: given.foam.thicknessMm.value + 1, sure: 'measured' } },
        });
        const later = bracer.shape({
          ...given,
          foam: {
            ...given.foam,
            neutralFraction: { value: given.foam.neutralFraction.value + 0.05, sure: 'measured' },
          },
        });
        const area = (s: typeof base): number => s.pieces.reduce((sum, p) => sum + p.areaMm2, 0);
        expect(area(thicker)).to.be.greaterThan(area(base));
        expect(area(later)).to.be.greaterThan(area(base));
      }),
      { numRuns: 25 },
    );
  });

  it('places a spot of the shell inside the piece it lands on', () => {
    const made = bracer.shape(input({ panels: 2 }));
    for (const around of [20, 60, 300, 340]) {
      for (const along of [60, 100, 150]) {
        const spot = made.place!(around, along)!;
        const piece = made.pieces.find((p) => p.id === spot.pieceId)!;
        expect(contains(piece.outline, spot.flat)).to.equal(true);
        expect(spot.marginMm).to.be.greaterThan(0);
        expect(spot.at.z).to.be.closeTo(along, 3);
      }
    }
  });

  it('says when a spot is off the foam', () => {
    expect(bracer.shape(input()).place!(180, 100)!.marginMm).to.be.lessThan(0);
    expect(bracer.shape(input()).place!(0, 400)!.marginMm).to.be.lessThan(0);
  });

  it('bends the elbow further with a deeper cut, and finds the depth that is enough', () => {
    const shallow = bracer.shape(input({ endMm: 235, elbowCutMm: 0 })).fit!;
    expect(shallow.flexionDeg).to.be.lessThan(125);
    const cured = bracer.shape(input({ endMm: 235, elbowCutMm: shallow.deeperCutMm! })).fit!;
    expect(cured.flexionDeg).to.be.at.least(125);
  });

  it('reports the girth missing over the widest forearm', () => {
    const fit = bracer.shape(input()).fit!;
    expect(fit.bulgeAtMm).to.equal(175);
    expect(fit.bulgeMisfitMm).to.be.greaterThan(5);
  });

  it('draws every edge of every piece on the solid, at the length it has when flat', () => {
    const made = bracer.shape(input({ panels: 2 }));
    const { edgeLines } = made.solid();
    for (const piece of made.pieces) {
      for (const edge of piece.edges) {
        const line = edgeLines.find((l) => l.pieceId === piece.id && l.edgeId === edge.id)!;
        const drawn = line.points.slice(1).reduce((sum, p, i) => sum + dist3(p, line.points[i]!), 0);
        // The line runs on the outer face, half a thickness out from the neutral surface.
        expect(drawn).to.be.within(edge.lengthMm - 1, edge.lengthMm + 2 * Math.PI * 3 + 1);
      }
    }
  });

  it('cuts a lining smaller than its shell', () => {
    const made = bracer.shape(input({}, { lining: dense(2) }));
    const [shell, lining] = [...made.pieces, ...made.linings()];
    expect(lining!.role).to.equal('lining');
    expect(lining!.areaMm2).to.be.lessThan(shell!.areaMm2);
  });
});
