import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody } from '../body';
import { dot3 } from '../geometry';
import { foamOf, gridNormals, type Piece } from '../panel';
import { standardKinds } from './kinds';
import { isValid } from './remedies';
import { makePart } from './made';
import { drawnPieces, partReport } from './partReport';
import { anyPart, runsOf } from './testing/anyPart';
import { contextOf, taken } from './testing/worn.test';

/** Parts over all forms; FOMRIK_PARTS=10000 and a seed of one's own for a long run. */
const count = Number(process.env['FOMRIK_PARTS'] ?? 800);
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261125);

const wearer = fc
  .record({
    stature: fc.integer({ min: 900, max: 2200 }),
    stout: fc.double({ min: 0.9, max: 1.15, noNaN: true }),
  })
  .map(({ stature, stout }) => {
    const plain = resolveBody(taken({ stature }));
    return taken({
      stature,
      chestGirth: plain.chestGirth.valueMm * stout,
      waistGirth: plain.waistGirth.valueMm * stout,
    });
  });

/** A part is judged by its area when it is so many thicknesses of its foam across, were it square. */
const THICKNESSES = 30;

/** Seams whose two edges neither agree in length, laid flat, nor say by how much they are to be eased. */
const unmet = (pieces: readonly Piece[]): string[] =>
  pieces.flatMap((p) =>
    p.edges.flatMap((e) => {
      if (e.joint !== 'seam' || !e.mate || e.easeMm !== undefined) return [];
      const mate = pieces.find((q) => q.id === e.mate!.pieceId)?.edges.find((o) => o.id === e.mate!.edgeId);
      const off = mate ? Math.abs(mate.lengthMm - e.lengthMm) : Infinity;
      return off > 0.5 + 1e-6 ? [`${p.id} ${e.id} and ${e.mate.pieceId}: ${off.toFixed(2)} mm`] : [];
    }),
  );

/** Every number anywhere in a value. */
function numbersIn(value: unknown, at = '', found: string[] = []): string[] {
  if (typeof value === 'number' && Number.isNaN(value)) found.push(at);
  else if (typeof value === 'object' && value !== null)
    for (const [key, of] of Object.entries(value)) numbersIn(of, `${at}.${key}`, found);
  return found;
}

describe('any valid part', function () {
  this.timeout(60_000 + count * 150);

  for (const form of standardKinds.forms.keys())
    it(`${form}: is worked out without a throw, a NaN or a face turned inside out, whoever wears it`, () => {
      const holds = fc.property(
        wearer.chain((measures) =>
          fc.record({
            measures: fc.constant(measures),
            part: anyPart(form, { name: 'Anyone', underLayerMm: 2, measures }),
          }),
        ),
        ({ measures, part }) => {
          const context = contextOf({ body: resolveBody(measures), underLayerMm: 2 });
          expect(isValid(part, context)).to.equal(true);
          const made = partReport(part, context, true);
          expect(numbersIn({ ...made, trial: [] })).to.deep.equal([]);
          if (standardKinds.forms.get(form)!.sheets !== 'none')
            expect(drawnPieces(made).length).to.be.greaterThan(0);
          expect(unmet(made.pieces)).to.deep.equal([]);
          // A surface that is given may fold back on itself: then it is reported.
          const reported = made.checks.some((c) => c.id.startsWith('folds-'));
          for (const { pieceId, grid } of reported ? [] : made.surfaces) {
            const normals = gridNormals(grid);
            normals.forEach((row, r) =>
              row.forEach((n, c) => {
                for (const m of [row[c + 1], normals[r + 1]?.[c]])
                  if (m) expect(dot3(n, m), `${pieceId} turns over at ${r}, ${c}`).to.be.greaterThan(-0.95);
              }),
            );
          }
        },
      );
      const flatIsSolid = fc.property(
        anyPart(form, { name: 'Anyone', underLayerMm: 2, measures: taken({ stature: 1720 }) }),
        (part) => {
          const { laid, model } = makePart(part, contextOf({ body: resolveBody(taken({ stature: 1720 })) }), {
            coarse: true,
          });
          const flat = laid.reduce((sum, l) => sum + l.piece.areaMm2, 0);
          // The same foam on the solid, at its neutral layer, never laid flat.
          const solid = foamOf(laid, model.joins).areaMm2;
          const gives = Math.max(0, ...laid.map((l) => l.piece.stretch?.worst ?? 0));
          // What is no larger than a few thicknesses of its foam is mostly bevels.
          const thickMm = Math.max(0, ...laid.map((l) => l.foam.thicknessMm.value));
          if (solid > (THICKNESSES * thickMm) ** 2) expect(flat / solid).to.be.closeTo(1, 0.06 + 2 * gives);
        },
      );
      fc.assert(flatIsSolid, { numRuns: Math.ceil(runsOf(form, count) / 8), seed });
      fc.assert(holds, { numRuns: runsOf(form, count), seed });
    });
});
