import { expect } from 'chai';
import fc from 'fast-check';
import { schedule, scheduleTime } from './schedule';
import { cutSpeedMPerMin } from '../materials';
import type { Step } from './step';

const step = (id: string, workMin: number, waitMin: number, after: string[] = []): Step => ({
  id,
  title: id,
  detail: '',
  workMin,
  waitMin,
  after,
  cautions: [],
});
const plan = (steps: Step[], hours = 2, done: string[] = []) =>
  schedule(
    steps,
    Object.fromEntries(done.map((id) => [id, '2026-03-01T12:00:00Z'])),
    '2026-03-02',
    '2026-03-09',
    hours,
  );

describe('schedule', () => {
  it('works in the evening and carries over', () => {
    const made = plan([step('a', 150, 0), step('b', 30, 0, ['a'])]);
    expect(
      made.slots.map((s) => [scheduleTime(made, s.startMin), scheduleTime(made, s.endMin)]),
    ).to.deep.equal([
      ['2026-03-02T18:00', '2026-03-03T18:30'],
      ['2026-03-03T18:30', '2026-03-03T19:00'],
    ]);
    expect(made.daysToSpare).to.equal(5);
  });

  it('does other work while something dries', () => {
    const made = plan([step('coat', 10, 60), step('recoat', 10, 0, ['coat']), step('solder', 30, 0)]);
    expect(made.slots.map((s) => s.stepId)).to.deep.equal(['coat', 'solder', 'recoat']);
  });

  it('lets cures run overnight', () => {
    const made = plan([step('glue', 60, 600), step('wear', 10, 0, ['glue'])]);
    expect(scheduleTime(made, made.slots[1]!.startMin)).to.equal('2026-03-03T18:00');
  });

  it('forgets what is done', () => {
    expect(plan([step('a', 60, 1440), step('b', 30, 0, ['a'])], 2, ['a']).slots).to.have.length(1);
  });

  it('waits for what is done but not yet dry, in every zone and over a change of clocks', () => {
    const zone = process.env.TZ;
    try {
      for (const tz of ['UTC', 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland', 'Europe/Berlin'])
        // The clocks of New York go forward on 8 March 2026, those of Berlin on 29 March.
        for (const day of ['2026-03-02', '2026-03-07', '2026-03-28']) {
          process.env.TZ = tz;
          const done = new Date(`${day}T19:00:00`).toISOString();
          const made = schedule(
            [step('glue', 30, 1440), step('wear', 10, 0, ['glue'])],
            { glue: done },
            day,
            '2026-04-09',
            2,
          );
          // Seven in the evening and a day more is seven on the evening after, whatever the clocks do.
          expect(made.slots[0]!.startMin, `${tz} ${day}`).to.equal(1440 + 19 * 60);
          expect(schedule([step('glue', 30, 1440)], { glue: done }, day, '2026-04-09', 2).finishMin).to.equal(
            1440 + 19 * 60,
          );
        }
    } finally {
      if (zone === undefined) delete process.env.TZ;
      else process.env.TZ = zone;
    }
  });

  it('never works outside hours, never before what it waits for, and loses no minute', () => {
    const anySteps = fc.array(
      fc.record({
        work: fc.integer({ min: 1, max: 300 }),
        wait: fc.integer({ min: 0, max: 900 }),
        back: fc.integer({ min: 1, max: 3 }),
      }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(anySteps, fc.integer({ min: 1, max: 8 }), (raw, hours) => {
        const steps = raw.map((r, i) => step(`s${i}`, r.work, r.wait, i >= r.back ? [`s${i - r.back}`] : []));
        const made = plan(steps, hours);
        expect(made.slots).to.have.length(steps.length);
        const at = new Map(made.slots.map((s) => [s.stepId, s]));
        for (const s of steps)
          for (const id of s.after) expect(at.get(s.id)!.startMin).to.be.at.least(at.get(id)!.readyMin);
        const total = raw.reduce((sum, r) => sum + r.work, 0);
        const lastEnd = Math.max(...made.slots.map((s) => s.endMin));
        expect(lastEnd / 1440).to.be.at.least(Math.floor(total / (hours * 60)) - 1);
      }),
    );
  });
});

describe('cutting speed', () => {
  it('is as remembered at 6 and 10 mm', () => {
    expect(cutSpeedMPerMin(6, 'knife')).to.be.closeTo(0.6, 1e-9);
    expect(cutSpeedMPerMin(10, 'knife')).to.be.closeTo(0.35, 1e-9);
  });
});
