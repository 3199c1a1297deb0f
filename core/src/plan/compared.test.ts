import { expect } from 'chai';
import { demo } from '../files/testing/demo';
import { reportOf } from '../report/testing/reportOf';
import { compared, readingOf, tookId } from './compared';
import { workFactor } from './workKinds';

describe('planned against what it took', () => {
  const doc = demo('lampwarden-bracers');
  const stated = reportOf(doc);
  const tracing = stated.steps.find((s) => s.kind === 'trace')!;
  const print = stated.steps.find((s) => s.kind === 'print')!;

  it('sums by sort of work and by part', () => {
    const readings = [readingOf(tracing, 40, 1, '2026-03-01'), readingOf(print, 30, 1, '2026-03-01')];
    expect(readings.map((r) => r.quantity)).to.deep.equal(['cutting', 'other']);
    const { kinds, parts } = compared(stated.steps, readings);
    expect(Object.fromEntries(kinds.map((k) => [k.key, [k.plannedMin, k.tookMin, k.steps]]))).to.deep.equal({
      trace: [tracing.workMin, 40, 1],
      print: [print.workMin, 30, 1],
    });
    expect(parts.map((p) => p.key)).to.deep.equal([tracing.partId]);
    expect(compared(stated.steps, [])).to.deep.equal({ kinds: [], parts: [] });
  });

  it('teaches the next plan: each step of the sort takes the shop’s factor, and the stated minutes stay what they were', () => {
    const took = tracing.workMin * 2;
    const readings = [readingOf(tracing, took, 1, '2026-03-01')];
    const taught = reportOf({ ...doc, make: { ...doc.make, readings } });
    const factor = workFactor('trace', taught.constants);
    expect(factor).to.be.within(1.1, 2);
    const again = taught.steps.find((s) => s.id === tracing.id)!;
    expect(again.workMin).to.equal(Math.ceil(tracing.workMin * factor));
    // Other sorts have no reading of their own, and the whole has none either.
    const glue = stated.steps.find((s) => s.kind === 'form')!;
    expect(taught.steps.find((s) => s.id === glue.id)!.workMin).to.equal(glue.workMin);
    // Read again in the taught plan, the stated minutes come back, but for whole minutes.
    expect(readingOf(again, took, factor, '2026-03-02').planned).to.be.closeTo(tracing.workMin, 1);
  });

  it('keeps ids a file can hold', () => {
    for (const step of stated.steps) expect(tookId(step).length).to.be.at.most(60);
  });
});
