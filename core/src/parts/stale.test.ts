import { expect } from 'chai';
import { resolveBody } from '../body';
import { applyChanges, type Part } from '../document';
import { demo } from '../files/testing/demo';
import { partReport } from './partReport';
import { contextOf } from './testing/worn.test';

describe('a first answer', () => {
  it('offers no cure from before that is done by now', () => {
    const troubled = demo('lampwarden-bracers-troubled');
    const context = contextOf({ body: resolveBody(troubled.wearer.measures), underLayerMm: 2 });
    const part = troubled.parts[0]!;
    const before = partReport(part, context);
    let seen = 0;
    for (const check of before.checks)
      for (const cure of check.remedies) {
        const cured: Part = applyChanges(part, cure.changes);
        const rough = partReport(cured, context, true, before);
        const same = rough.checks.find((c) => c.id === check.id)?.remedies ?? [];
        expect(
          same.map((c) => c.label),
          check.title,
        ).to.not.include(cure.label);
        seen += 1;
      }
    expect(seen).to.be.greaterThan(5);
  });
});
