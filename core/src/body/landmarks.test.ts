import { expect } from 'chai';
import fc from 'fast-check';
import { anyone } from '../parts/testing/worn.test';
import { resolveBody } from './estimate';
import { landmarks } from './landmarks';

describe('landmarks of a standing figure', () => {
  it('stand one below the other from crown to floor, whoever it is', () => {
    fc.assert(
      fc.property(anyone, (measures) => {
        const marks = landmarks(resolveBody(measures));
        expect(marks[0]!.upMm).to.be.closeTo(resolveBody(measures).stature.valueMm, 1e-9);
        expect(marks.at(-1)!.upMm).to.equal(0);
        marks.slice(1).forEach((m, i) => expect(m.upMm, m.name).to.be.below(marks[i]!.upMm));
        for (const m of marks) expect(m.halfMm).to.be.above(10);
      }),
      { numRuns: 60 },
    );
  });
});
