import { expect } from 'chai';
import { constantOf, type Quantity, quantityKeys, type Reading } from '../learn';
import type { Calendar } from './calendar';
import { readiness, type Spreads, spreadsOf } from './readiness';
import { schedule } from './schedule';
import { chance } from '../units';
import type { Step } from './step';

const step = (id: string, workMin: number, waitMin = 0, after: string[] = []): Step => ({
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
const allDay: Calendar = { makers: [Array<number>(7).fill(16)], daysOff: [], order: 'parts' };
const provenance: Spreads = { shop: () => 0, step: 0, drying: 0 };
const asked = (steps: Step[], eventIso: string, calendar = allDay) => ({
  steps,
  done: {},
  startIso: '2026-03-02',
  eventIso,
  calendar,
});

/** The share of a standard normal below z (Abramowitz and Stegun 7.1.26). */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(z / Math.SQRT2));
  const tail =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - tail * Math.exp(-(z * z) / 2);
  return z < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
}

describe('whether it will be ready', () => {
  it('is what the schedule says when nothing strays', () => {
    const steps = [step('a', 300, 600), step('b', 200, 0, ['a'])];
    const plan = schedule(steps, {}, '2026-03-02', '2026-03-06', allDay);
    const reported = readiness(asked(steps, '2026-03-06'), provenance, 20);
    expect(reported.daysLow).to.equal(plan.daysToSpare);
    expect(reported.daysHigh).to.equal(plan.daysToSpare);
    expect(reported.chance).to.equal(1);
    expect(reported.deciding).to.deep.equal([]);
  });

  it('has the chance of the lognormal for a single step', () => {
    // Sixteen hours from six in the morning, and two more before the event begins at eight the next day.
    for (const [workMin, spread] of [
      [600, 0.5],
      [800, 0.35],
      [1000, 0.6],
    ] as const) {
      const reported = readiness(
        asked([step('a', workMin)], '2026-03-03'),
        { ...provenance, step: spread },
        4000,
        7,
      );
      const expected = normalBelow(Math.log((16 * 60 + 120) / workMin) / spread);
      expect(reported.chance, `${workMin}`).to.be.closeTo(expected, 3 * Math.sqrt(0.25 / 4000));
    }
  });

  it('gives the same answer for the same seed, and names what moves the end', () => {
    const steps = [step('long', 3000), step('short', 30), step('side', 20, 0, ['long'])];
    const spreads: Spreads = { shop: () => 0, step: 0.3, drying: 0 };
    const [a, b] = [1, 1].map((seed) => readiness(asked(steps, '2026-03-10'), spreads, 400, seed));
    expect(a).to.deep.equal(b);
    expect(a!.deciding[0]!.stepId).to.equal('long');
    expect(a!.deciding[0]!.strength).to.be.greaterThan(0.9);
    expect(readiness(asked(steps, '2026-03-10'), spreads, 400, 2)).to.not.deep.equal(a);
  });

  it('is surer of itself the more a shop has read', () => {
    const readings = (count: number): Reading[] =>
      Array.from({ length: count }, (_, i) => ({
        id: `r${i}`,
        quantity: 'cutting',
        planned: 60,
        actual: 60,
        takenOn: '2026-03-01',
        of: '',
      }));
    const constants = (count: number) =>
      Object.fromEntries(quantityKeys.map((q) => [q, constantOf(readings(count), q)])) as Record<
        Quantity,
        ReturnType<typeof constantOf>
      >;
    const doubts = [0, 1, 4, 30].map((n) => spreadsOf(constants(n)).shop({ kind: 'cut' }));
    // From the stated spread of shops (0.35) down with 1/√(1/τ² + n/σ²).
    [0, 1, 4, 30].forEach((n, i) =>
      expect(doubts[i]).to.be.closeTo(1 / Math.sqrt(1 / 0.35 ** 2 + n / 0.25 ** 2), 0.002),
    );
    expect(spreadsOf(constants(4)).shop({ kind: 'glue' })).to.be.closeTo(0.35, 0.002);
  });

  it('draws numbers that are even: mean, spread and tenths as they should be', () => {
    const even = chance(3);
    const drawn = Array.from({ length: 20_000 }, even);
    const mean = drawn.reduce((s, v) => s + v, 0) / drawn.length;
    expect(mean).to.be.closeTo(0.5, 0.01);
    for (let k = 0; k < 10; k++)
      expect(drawn.filter((v) => Math.floor(v * 10) === k).length / drawn.length).to.be.closeTo(0.1, 0.01);
  });
});
