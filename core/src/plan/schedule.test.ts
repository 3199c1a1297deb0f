import { expect } from 'chai';
import fc from 'fast-check';
import { schedule, scheduleTime } from './schedule';
import { cutSpeedMPerMin } from '../materials';
import type { Calendar } from './calendar';
import { floats } from './criticalPath';
import type { Step } from './step';

const step = (id: string, workMin: number, waitMin: number, after: string[] = []): Step => ({
  id,
  title: id,
  kind: 'cut',
  about: 'pieces',
  detail: '',
  workMin,
  waitMin,
  after,
  cautions: [],
});
const every = (hours: number): Calendar => ({
  makers: [Array<number>(7).fill(hours)],
  daysOff: [],
  order: 'parts',
});
const plan = (steps: Step[], hours = 2, done: string[] = []) =>
  schedule(
    steps,
    Object.fromEntries(done.map((id) => [id, '2026-03-01T12:00:00Z'])),
    '2026-03-02',
    '2026-03-09',
    every(hours),
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
            every(2),
          );
          // Seven in the evening and a day more is seven on the evening after, whatever the clocks do.
          expect(made.slots[0]!.startMin, `${tz} ${day}`).to.equal(1440 + 19 * 60);
          expect(
            schedule([step('glue', 30, 1440)], { glue: done }, day, '2026-04-09', every(2)).finishMin,
          ).to.equal(1440 + 19 * 60);
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

const withKind = (s: Step, kind: Step['kind'], hands?: 2): Step => ({ ...s, kind, ...(hands && { hands }) });
/** 2 March 2026 is a Monday. */
const planned = (steps: Step[], calendar: Calendar, event = '2026-04-09') =>
  schedule(steps, {}, '2026-03-02', event, calendar);
const times = (made: ReturnType<typeof planned>) =>
  made.slots.map((s) => `${s.stepId} ${scheduleTime(made, s.startMin)} ${scheduleTime(made, s.endMin)}`);

describe('a calendar', () => {
  it('has hours for each weekday and days off', () => {
    const week = [0, 0, 2, 0, 0, 6, 0];
    const made = planned([step('a', 300, 0)], { makers: [week], daysOff: ['2026-03-07'], order: 'parts' });
    // Wednesday the 4th two hours; Saturday the 7th off; Wednesday the 11th two more; the last on Saturday the 14th, from four.
    expect(times(made)).to.deep.equal(['a 2026-03-04T18:00 2026-03-14T17:00']);
  });

  it('keeps loud tools out of quiet hours, over midnight, and does quiet work meanwhile', () => {
    const evening: Calendar = { ...every(4), quiet: { fromMin: 20 * 60, toMin: 8 * 60 } };
    const made = planned([withKind(step('sand', 180, 0), 'sand'), step('glue', 60, 0)], evening);
    expect(times(made)).to.deep.equal([
      'sand 2026-03-02T18:00 2026-03-03T19:00',
      'glue 2026-03-03T19:00 2026-03-03T20:00',
    ]);
    // None left at all: not kept to, rather than never.
    const none = planned([withKind(step('sand', 60, 0), 'sand')], {
      ...every(2),
      quiet: { fromMin: 17 * 60, toMin: 16 * 60 },
    });
    expect(times(none)).to.deep.equal(['sand 2026-03-02T18:00 2026-03-02T19:00']);
  });

  it('has a helper take what waits, and both come for what wants two', () => {
    const two: Calendar = { ...every(2), makers: [Array<number>(7).fill(2), [0, 2, 0, 0, 0, 0, 0]] };
    const made = planned(
      [step('a', 240, 0), step('b', 60, 0), withKind(step('wear', 30, 0, ['a', 'b']), 'wear', 2)],
      two,
    );
    expect(times(made)).to.deep.equal([
      'a 2026-03-02T18:00 2026-03-03T20:00',
      'b 2026-03-03T18:00 2026-03-03T19:00',
      // The next evening on which both are there.
      'wear 2026-03-10T18:00 2026-03-10T18:30',
    ]);
    expect(made.slots.map((s) => s.makers)).to.deep.equal([[0], [1], [0, 1]]);
  });

  it('in batches does like work together: all traced, then all cut, then glued', () => {
    const part = (id: string): Step[] => [
      withKind(step(`${id}1`, 10, 0), 'trace'),
      withKind(step(`${id}2`, 10, 0, [`${id}1`]), 'cut'),
      withKind(step(`${id}3`, 10, 0, [`${id}2`]), 'glue'),
    ];
    const both = [...part('a'), ...part('b')];
    expect(
      planned(both, every(2))
        .slots.map((s) => s.stepId)
        .join(' '),
    ).to.equal('a1 a2 a3 b1 b2 b3');
    expect(
      planned(both, { ...every(2), order: 'batches' })
        .slots.map((s) => s.stepId)
        .join(' '),
    ).to.equal('a1 b1 a2 b2 a3 b3');
  });

  it('tells the latest start: begun then, in the same order, all is ready the evening before', () => {
    const made = planned([step('a', 60, 1440), step('b', 120, 0, ['a'])], every(2), '2026-03-09');
    const at = Object.fromEntries(made.slots.map((s) => [s.stepId, scheduleTime(made, s.latestMin)]));
    // b fills the last evening, the 8th; a must have dried a whole day before it.
    expect(at).to.deep.equal({
      b: '2026-03-08T18:00',
      a: '2026-03-06T19:00',
    });
  });

  it('holds for any steps, hours and makers: gates, hours, one thing at a time, and a latest start that is no earlier', () => {
    const anySteps = fc.array(
      fc.record({
        work: fc.integer({ min: 1, max: 300 }),
        wait: fc.integer({ min: 0, max: 2000 }),
        back: fc.integer({ min: 1, max: 4 }),
        kind: fc.constantFrom<Step['kind']>('cut', 'glue', 'sand', 'wear'),
        two: fc.boolean(),
      }),
      { minLength: 1, maxLength: 14 },
    );
    const week = fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 7, maxLength: 7 });
    fc.assert(
      fc.property(
        anySteps,
        week.filter((w) => w.some((h) => h > 0)),
        fc.option(week),
        fc.boolean(),
        fc.boolean(),
        (raw, own, helper, batches, quiet) => {
          const steps = raw.map((r, i): Step => ({
            ...step(`s${i}`, r.work, r.wait, i >= r.back ? [`s${i - r.back}`] : []),
            kind: r.kind,
            ...(r.two && { hands: 2 as const }),
          }));
          const made = planned(
            steps,
            {
              makers: helper ? [own, helper] : [own],
              daysOff: ['2026-03-05'],
              order: batches ? 'batches' : 'parts',
              ...(quiet && { quiet: { fromMin: 19 * 60, toMin: 9 * 60 } }),
            },
            '2029-03-02',
          );
          expect(made.slots).to.have.length(steps.length);
          const at = new Map(made.slots.map((s) => [s.stepId, s]));
          for (const s of steps) {
            const slot = at.get(s.id)!;
            for (const id of s.after) expect(slot.startMin).to.be.at.least(at.get(id)!.readyMin);
            expect(slot.latestMin).to.be.at.least(slot.startMin - 1e-6);
            for (const id of s.after)
              expect(at.get(id)!.latestMin + steps.find((o) => o.id === id)!.waitMin).to.be.at.most(
                slot.latestMin + 1e-6,
              );
            // Nobody works on the 5th.
            expect(slot.startMin >= 3 * 1440 && slot.startMin < 4 * 1440).to.equal(false);
          }
          for (const maker of helper ? [0, 1] : [0]) {
            const mine = made.slots.filter((s) => s.makers.includes(maker));
            for (let i = 1; i < mine.length; i++)
              expect(mine[i]!.startMin).to.be.at.least(mine[i - 1]!.endMin - 1e-6);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('the critical path', () => {
  it('of a textbook network is the published one', () => {
    // A: 3, B: 4, C: 2 after A, D: 5 after B, E: 1 after C, F: 2 after C, G: 4 after D and E, H: 3 after F and G
    // (the worked example of a standard course in project scheduling; from memory: 16 long, B D G H critical).
    const job = (id: string, days: number, ...after: string[]) => ({ id, after, workMin: days, waitMin: 0 });
    const found = floats([
      job('A', 3),
      job('B', 4),
      job('C', 2, 'A'),
      job('D', 5, 'B'),
      job('E', 1, 'C'),
      job('F', 2, 'C'),
      job('G', 4, 'D', 'E'),
      job('H', 3, 'F', 'G'),
    ]);
    expect(found.get('H')!.earliestMin + 3).to.equal(16);
    expect(Object.fromEntries([...found].map(([id, f]) => [id, f.slackMin]))).to.deep.equal({
      A: 3,
      B: 0,
      C: 3,
      D: 0,
      E: 3,
      F: 6,
      G: 0,
      H: 0,
    });
  });

  it('is as long as the longest way through any network, tried one by one', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.integer({ min: 1, max: 50 }), fc.integer({ min: 0, max: 50 }), fc.nat(), fc.nat()),
          { minLength: 1, maxLength: 10 },
        ),
        (raw) => {
          const steps = raw.map(([workMin, waitMin, a, b], i) => ({
            id: `s${i}`,
            workMin,
            waitMin,
            after: i === 0 ? [] : [...new Set([`s${a % i}`, `s${b % i}`])],
          }));
          const longest = (i: number): number =>
            steps[i]!.workMin +
            steps[i]!.waitMin +
            Math.max(0, ...steps.flatMap((s, k) => (s.after.includes(`s${i}`) ? [longest(k)] : [])));
          const found = floats(steps);
          const whole = Math.max(...steps.map((_, i) => longest(i)));
          const ends = steps.map((s) => found.get(s.id)!.earliestMin + s.workMin + s.waitMin);
          expect(Math.max(...ends)).to.equal(whole);
          steps.forEach((s, i) => expect(found.get(s.id)!.latestMin + longest(i)).to.equal(whole, s.id));
        },
      ),
    );
  });
});

describe('cutting speed', () => {
  it('is as remembered at 6 and 10 mm', () => {
    expect(cutSpeedMPerMin(6, 'knife')).to.be.closeTo(0.6, 1e-9);
    expect(cutSpeedMPerMin(10, 'knife')).to.be.closeTo(0.35, 1e-9);
  });
});
