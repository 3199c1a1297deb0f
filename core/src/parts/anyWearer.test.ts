import { runs } from '../units/testing/sampled';
import { expect } from 'chai';
import fc from 'fast-check';
import { levels, measures, resolveBody } from '../body';
import { holds } from '../document';
import { standardKinds } from './kinds';
import { newPart } from './newPart';
import { partReport } from './partReport';
import { contextOf, taken } from './testing/worn.test';

/** Anyone from a small child to the tallest, with a stature alone or with a few tapes. */
const wearer = fc
  .record({
    stature: fc.integer({ min: 900, max: 2200 }),
    more: fc.option(
      fc.record({
        stout: fc.double({ min: 0.88, max: 1.2, noNaN: true }),
        waist: fc.double({ min: 0.85, max: 1.15, noNaN: true }),
        head: fc.double({ min: 0.95, max: 1.05, noNaN: true }),
      }),
    ),
  })
  .map(({ stature, more }) => {
    const plain = resolveBody(taken({ stature }));
    return taken({
      stature,
      ...(more && {
        headGirth: plain.headGirth.valueMm * more.head,
        chestGirth: plain.chestGirth.valueMm * more.stout,
        waistGirth: plain.waistGirth.valueMm * more.stout * more.waist,
      }),
    });
  });

describe('a form just added', function () {
  this.timeout(120_000);

  it('has measures within their ranges and a neck, from 900 to 2200 mm', () => {
    for (let stature = 900; stature <= 2200; stature += 10) {
      const body = resolveBody(taken({ stature }));
      for (const { key, rangeMm } of measures)
        expect(body[key].valueMm, `${key} at ${stature}`).to.be.within(...rangeMm);
      const at = Object.values(levels(body));
      expect(
        at.slice(1).every((z, i) => z > at[i]!),
        `levels at ${stature}`,
      ).to.equal(true);
      expect(levels(body).chin - levels(body).neckBase, `neck at ${stature}`).to.be.at.least(
        0.0275 * stature - 1e-9,
      );
    }
  });

  it('meets children’s heads and trunks as they are measured (growth tables, from memory)', () => {
    // Five years: 1100 mm, head 510, chest 560, wrist 120; eight and a half: 1300 mm, head 526, chest 640.
    for (const [stature, head, chest] of [
      [1100, 510, 560],
      [1300, 526, 640],
    ] as const) {
      const body = resolveBody(taken({ stature }));
      expect(body.headGirth.valueMm).to.be.closeTo(head, 0.02 * head);
      expect(body.chestGirth.valueMm).to.be.closeTo(chest, 0.03 * chest);
    }
  });

  for (const [form, kind] of standardKinds.forms) {
    it(`${form}: begins within its ranges and raises no stop`, () => {
      fc.assert(
        fc.property(wearer, (readings) => {
          const part = newPart('one', { name: 'Anyone', underLayerMm: 2, measures: readings }, form);
          for (const field of kind.fields)
            expect(
              holds(field, part.params[field.key]),
              `${field.key} ${JSON.stringify(part.params[field.key])}`,
            ).to.equal(true);
          const body = resolveBody(readings);
          const stops = partReport(part, contextOf({ body, underLayerMm: 2 }), true).checks.filter(
            (c) => c.severity === 'stop',
          );
          expect(stops.map((c) => c.title)).to.deep.equal([]);
        }),
        { numRuns: runs(kind.surface ? 6 : 20), seed: 7 },
      );
    });
  }
});
