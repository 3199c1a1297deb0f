import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody } from '../body';
import { dot3 } from '../geometry';
import { gridNormals } from '../panel';
import { standardKinds } from './kinds';
import { isValid } from './cures';
import { partReport } from './partReport';
import { anyPart } from './testing/anyPart';
import { aroundOf, taken } from './testing/worn.test';

/** Parts over all forms with a fixed seed, and as many as a tenth with a fresh one; FOMRIK_PARTS=10000 for a long run. */
const count = Number(process.env['FOMRIK_PARTS'] ?? 600);
const perForm = Math.ceil(count / standardKinds.forms.size);
const fresh = Number(process.env['FOMRIK_SEED'] ?? Date.now() % 1e9);

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

/** Every number anywhere in a value. */
function numbersIn(value: unknown, at = '', found: string[] = []): string[] {
  if (typeof value === 'number' && Number.isNaN(value)) found.push(at);
  else if (typeof value === 'object' && value !== null)
    for (const [key, of] of Object.entries(value)) numbersIn(of, `${at}.${key}`, found);
  return found;
}

describe('any valid part', function () {
  this.timeout(60_000 + count * 150);
  before(() => console.log(`    fresh seed ${fresh}`));

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
          const around = aroundOf({ body: resolveBody(measures), underLayerMm: 2 });
          expect(isValid(part, around)).to.equal(true);
          const made = partReport(part, around, true);
          expect(numbersIn({ ...made, trial: [] })).to.deep.equal([]);
          expect(made.pieces.length).to.be.greaterThan(0);
          for (const { pieceId, grid } of made.surfaces) {
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
      fc.assert(holds, { numRuns: perForm, seed: 20261125 });
      fc.assert(holds, { numRuns: Math.ceil(perForm / 10), seed: fresh });
    });
});
