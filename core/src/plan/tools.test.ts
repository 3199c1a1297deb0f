import { expect } from 'chai';
import { demo } from '../files/testing/demo';
import { derive } from '../report';
import { toolHours } from '.';

describe('hours by tool', () => {
  const doc = demo('lampwarden-harness');
  const report = derive(doc);
  const { habits } = doc.make;
  const uses = toolHours(report.steps, report.schedule, habits, {});
  const of = (tool: string) => uses.find((u) => u.tool === tool)!;
  const sumH = (kinds: string[]): number =>
    report.steps.filter((s) => kinds.includes(s.kind)).reduce((sum, s) => sum + s.workMin, 0) / 60;

  it('are those of the steps they are for, added up', () => {
    expect(of('heat gun').hours).to.be.closeTo(sumH(['form']), 1e-9);
    expect(of('rotary tool or sander').hours).to.be.closeTo(sumH(['bevel', 'sand']), 1e-9);
    expect(of('soldering iron').hours).to.be.closeTo(sumH(['solder']), 1e-9);
    expect(of('mask for organic vapour').hours).to.be.closeTo(sumH(['coat', 'paint']), 1e-9);
  });

  it('fall on the days that their steps are laid on, and on no other', () => {
    const first = Date.parse(`${report.schedule.firstDay}T00:00:00Z`);
    const forming = new Set(report.steps.filter((s) => s.kind === 'form').map((s) => s.id));
    const days = new Set<string>();
    for (const slot of report.schedule.slots)
      if (forming.has(slot.stepId))
        for (const { fromMin, toMin } of slot.spans)
          for (let min = fromMin; min < toMin; min++)
            days.add(new Date(first + min * 60_000).toISOString().slice(0, 10));
    expect(of('heat gun').days).to.deep.equal([...days].sort());
  });

  it('follow the habits, and leave out what is done', () => {
    const sawn = toolHours(report.steps, report.schedule, { ...habits, cutter: 'band-saw' }, {});
    expect(sawn.find((u) => u.tool === 'band saw')!.hours).to.be.closeTo(sumH(['cut']), 1e-9);
    const done = Object.fromEntries(report.steps.filter((s) => s.kind === 'form').map((s) => [s.id, 'now']));
    expect(
      toolHours(report.steps, report.schedule, habits, done).some((u) => u.tool === 'heat gun'),
    ).to.equal(false);
  });
});
