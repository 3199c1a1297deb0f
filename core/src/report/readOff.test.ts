import { expect } from 'chai';
import { demo } from '../files/testing/demo';
import { constantOf } from '../learn';
import { readOff } from '../plan';
import { reportOf } from './testing/reportOf';

describe('what is read off at a step', () => {
  const doc = demo('lampwarden-bracers');
  const before = reportOf(doc);

  it('a coat that took twice as much: later coats and cans are told by it, what is stated stays', () => {
    const coat = before.steps.find((s) => s.kind === 'coat')!;
    const reading = readOff({ ...coat, reads: coat.reads! }, 2 * coat.reads!.stated, '2026-11-26');
    const after = reportOf({ ...doc, make: { ...doc.make, readings: [reading] } });
    const { factor } = constantOf([reading], 'coverage');
    expect(factor).to.be.greaterThan(1.3);
    const again = after.steps.find((s) => s.id === coat.id)!;
    expect(again.reads).to.deep.equal(coat.reads);
    const ml = (detail: string): number => Number(/About ([\d.]+) ml/.exec(detail)![1]);
    expect(ml(again.detail)).to.be.closeTo(coat.reads!.stated * factor, 0.6);
    expect(ml(coat.detail)).to.be.closeTo(coat.reads!.stated, 0.6);
    // Minutes are not learned from millilitres.
    expect(again.workMin).to.equal(coat.workMin);
  });

  it('a seam that took half as much again: glue costs by it, and everything else costs the same', () => {
    const seam = before.steps.find((s) => s.reads?.quantity === 'glue')!;
    const reading = readOff({ ...seam, reads: seam.reads! }, 1.5 * seam.reads!.stated, '2026-11-26');
    const after = reportOf({ ...doc, make: { ...doc.make, readings: [reading] } });
    const { factor } = constantOf([reading], 'glue');
    expect(factor).to.be.within(1.2, 1.5);
    const others = before.cost.filter((l) => l.unit !== 'metres of seam');
    const glue = before.cost.find((l) => l.unit === 'metres of seam')!;
    expect(after.cost.find((l) => l.unit === 'metres of seam')!.total).to.be.closeTo(
      glue.total * factor,
      1e-9,
    );
    expect(after.cost.filter((l) => l.unit !== 'metres of seam')).to.deep.equal(others);
  });

  it('lamps that burned half as long: every pack is counted so, and what is stated stays', () => {
    const test = before.steps.find((s) => s.reads?.quantity === 'capacity')!;
    expect(test.reads!.stated).to.be.closeTo(before.totals.lightHours!, 1e-9);
    const reading = readOff({ ...test, reads: test.reads! }, test.reads!.stated / 2, '2026-11-26');
    const after = reportOf({ ...doc, make: { ...doc.make, readings: [reading] } });
    const { factor } = constantOf([reading], 'capacity');
    expect(factor).to.be.lessThan(0.8);
    expect(after.totals.lightHours).to.be.closeTo(before.totals.lightHours! * factor, 1e-6);
    expect(after.steps.find((s) => s.id === test.id)!.reads!.stated).to.be.closeTo(test.reads!.stated, 1e-6);
  });
});
