import { expect } from 'chai';
import fc from 'fast-check';
import { resolveBody } from '../body';
import { applyChanges, type Part } from '../document';
import { standardKinds } from './kinds';
import { isValid, triedRemedies } from './remedies';
import { makePart } from './made';
import { anyPart, runsOf } from './testing/anyPart';
import { anyone, contextOf } from './testing/worn.test';

/** Parts over all forms; FOMRIK_PARTS=10000 for a long run. */
const count = Number(process.env['FOMRIK_PARTS'] ?? 300);

describe('the cures of any valid part', function () {
  this.timeout(60_000 + count * 150);
  let [parts, tried] = [0, 0];
  after(() => expect(tried).to.be.greaterThan(parts / 20));

  for (const form of standardKinds.forms.keys())
    it(`${form}: lead to a valid part that has less of what they cure, worked out anew`, () => {
      fc.assert(
        fc.property(
          anyone.chain((measures) =>
            fc.record({
              measures: fc.constant(measures),
              part: anyPart(form, { name: 'Anyone', underLayerMm: 2, measures }),
            }),
          ),
          ({ measures, part }) => {
            parts += 1;
            const context = contextOf({ body: resolveBody(measures), underLayerMm: 2 });
            const made = makePart(part, context, { coarse: true });
            for (const noticed of made.noticed.filter((n) => n.from !== 'flat'))
              for (const cure of triedRemedies(noticed, part, context, made)) {
                const cured: Part = applyChanges(part, cure.changes);
                tried += 1;
                const reported = `${noticed.check.id} “${cure.label}”`;
                expect(isValid(cured, context), reported).to.equal(true);
                const left = makePart(cured, context, { coarse: true }).noticed.find(
                  (n) => n.check.id === noticed.check.id,
                );
                expect(left?.check.excess ?? 0, reported).to.be.lessThan(noticed.check.excess);
              }
          },
        ),
        { numRuns: runsOf(form, count), seed: 20261125 },
      );
    });
});
