import { expect } from 'chai';
import type { LogEntry } from '../document';
import { demo } from '../files/testing/demo';
import { derive } from '../report';
import { compared, hoursOverTime, moneyOverTime, readingOf, spentOf } from '.';

const receipt = (day: string, actual: number, unit = 'EUR'): LogEntry => ({
  id: day + actual,
  at: `${day}T10:00:00.000Z`,
  subject: 'foam',
  note: '',
  planned: null,
  actual,
  unit,
  sort: 'bought',
});

describe('hours and money by the day', () => {
  const report = derive(demo('lampwarden-bracers'));
  const [a, b, c] = report.steps;

  it('by hand: what was taken and stated adds up by day, the rest lies ahead', () => {
    const readings = [
      readingOf(a!, 60, 1, '2026-12-01'),
      readingOf(b!, 30, 1, '2026-12-03'),
      readingOf(c!, 90, 1, '2026-12-01'),
    ];
    const done = Object.fromEntries([a, b, c].map((s) => [s!.id, '2026-12-03T12:00:00.000Z']));
    const { taken, stated, ahead } = hoursOverTime(report.steps, report.schedule, readings, done);
    expect(taken).to.deep.equal([
      { day: '2026-12-01', sum: 2.5 },
      { day: '2026-12-03', sum: 3 },
    ]);
    const { kinds } = compared(report.steps, readings);
    expect(stated.at(-1)!.sum).to.be.closeTo(kinds.reduce((s, k) => s + k.plannedMin, 0) / 60, 1e-9);
    const rest = report.steps.slice(3).reduce((s, x) => s + x.workMin, 0) / 60;
    expect(ahead.at(-1)!.sum).to.be.closeTo(3 + rest, 1e-6);
    ahead.slice(1).forEach((d, i) => {
      expect(d.sum).to.be.at.least(ahead[i]!.sum);
      expect(d.day > ahead[i]!.day).to.equal(true);
    });
  });

  it('money: receipts in the currency of the build, as the total beside them says', () => {
    const log = [
      receipt('2026-11-05', 12.5),
      receipt('2026-11-02', 20),
      receipt('2026-11-05', 7.5),
      receipt('2026-11-06', 9, 'USD'),
    ];
    expect(moneyOverTime(log, 'EUR')).to.deep.equal([
      { day: '2026-11-02', sum: 20 },
      { day: '2026-11-05', sum: 40 },
    ]);
    expect(moneyOverTime(log, 'EUR').at(-1)!.sum).to.equal(spentOf(log, 'EUR').total);
    expect(moneyOverTime([], 'EUR')).to.deep.equal([]);
  });
});
