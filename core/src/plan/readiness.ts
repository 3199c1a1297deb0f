import { type Constant, type Quantity, READING_SPREAD } from '../learn';
import { chance, itemAt, getFrom } from '../units';
import type { Calendar } from './calendar';
import { schedule } from './schedule';
import type { Step } from './step';
import { workFactor, workKinds } from './workKinds';

/** What is drawn for one run: how far off the shop's constants may be, and each step and each drying from what is planned. */
export interface Spreads {
  /** Standard deviations of the logarithm: of what the shop takes over all steps of a quantity, and of one step. */
  shop: (step: Pick<Step, 'kind'>) => number;
  step: number;
  drying: number;
}

/** How sure it is that everything is ready. */
export interface Readiness {
  runs: number;
  /** Share of the runs that are ready by the morning of the event. */
  chance: number;
  /** Days to spare that one, five and nine runs of ten do not reach. */
  daysLow: number;
  daysMiddle: number;
  daysHigh: number;
  /** The steps whose own length moves the finish most, and the sorts of work whose pace does: correlations over all runs. */
  deciding: { stepId: string; strength: number }[];
  paces: { quantity: Quantity; strength: number }[];
}

/** How far single steps and drying stray from what is planned, while a shop has read nothing; from memory. */
const STEP_SPREAD = 0.35;
const DRYING_SPREAD = 0.15;
/** Nine of ten of a normal distribution lie within so many deviations. */
const NINE_OF_TEN = 1.645;
const DECIDING = 5;
/** Weaker than this is chance. */
const LEAST_STRENGTH = 0.1;

/** The spreads of a shop by its constants: the more it has read, the less its own pace is in doubt. */
export function spreadsOf(constants: Record<Quantity, Constant>): Spreads {
  const doubt = ({ low, high }: Constant): number => {
    const whole = Math.log(high / low) / 2 / NINE_OF_TEN;
    return Math.sqrt(Math.max(0, whole ** 2 - READING_SPREAD ** 2));
  };
  return {
    shop: ({ kind }) => {
      const own = constants[workKinds[kind].teaches];
      return doubt(own.readings > 0 ? own : constants.handWork);
    },
    step: STEP_SPREAD,
    drying: DRYING_SPREAD,
  };
}
/** Normal numbers of mean 0 and deviation 1 (Box and Muller, 1958). */
const normalFrom = (even: () => number) => (): number =>
  Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even());

const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;

/** Pearson's correlation of two rows of numbers; 0 where one does not vary. */
function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (row: readonly number[]): number => row.reduce((s, v) => s + v, 0) / row.length;
  const [ma, mb] = [mean(a), mean(b)];
  let [ab, aa, bb] = [0, 0, 0];
  a.forEach((v, i) => {
    const [da, db] = [v - ma, itemAt(b, i) - mb];
    ab += da * db;
    aa += da * da;
    bb += db * db;
  });
  return aa < 1e-12 || bb < 1e-12 ? 0 : ab / Math.sqrt(aa * bb);
}

/** What a plan is made of, whose end is asked. */
export interface Planned {
  steps: readonly Step[];
  done: Readonly<Record<string, string>>;
  startIso: string;
  eventIso: string;
  calendar: Calendar;
}

/**
 * Lays the plan out again and again, each time with paces, steps and drying drawn from their spreads (Monte Carlo;
 * lognormal, so that nothing takes less than no time and long is likelier than short). Yields after every run, so that
 * whoever asks may stop or show how far it is; the same seed gives the same answer.
 */
export function* simulated(
  { steps, done, startIso, eventIso, calendar }: Planned,
  spreads: Spreads,
  runs: number,
  seed = 1,
): Generator<Readiness, void> {
  const normal = normalFrom(chance(seed));
  const open = steps.filter((s) => done[s.id] === undefined);
  const days: number[] = [];
  const finishes: number[] = [];
  const stray = new Map(open.map((s) => [s.id, [] as number[]]));
  const quantities = [...new Set(open.map((s) => workKinds[s.kind].teaches))];
  const pacesDrawn = new Map(quantities.map((q) => [q, [] as number[]]));
  for (let run = 0; run < runs; run++) {
    const pace = new Map(quantities.map((q) => [q, normal()]));
    for (const [q, drawn] of pacesDrawn) drawn.push(getFrom(pace, q));
    const drawn = steps.map((s): Step => {
      if (done[s.id] !== undefined) return s;
      const shop = spreads.shop(s) * getFrom(pace, workKinds[s.kind].teaches);
      const own = normal();
      const workMin = s.workMin * Math.exp(shop + spreads.step * own);
      const waitMin = s.waitMin * Math.exp(spreads.drying * normal());
      getFrom(stray, s.id).push(own);
      return { ...s, workMin, waitMin };
    });
    const made = schedule(drawn, done, startIso, eventIso, calendar);
    days.push(made.daysToSpare);
    finishes.push(made.finishMin);
    const sorted = [...days].sort((a, b) => a - b);
    const strongest = <K extends string>(rows: Map<K, number[]>): [K, number][] =>
      run + 1 < runs
        ? []
        : [...rows]
            .map(([key, row]): [K, number] => [key, correlation(row, finishes)])
            .filter(([, strength]) => strength > LEAST_STRENGTH)
            .sort((a, b) => b[1] - a[1])
            .slice(0, DECIDING);
    yield {
      runs: run + 1,
      chance: days.filter((d) => d >= 0).length / days.length,
      daysLow: quantile(sorted, 0.1),
      daysMiddle: quantile(sorted, 0.5),
      daysHigh: quantile(sorted, 0.9),
      deciding: strongest(stray).map(([stepId, strength]) => ({ stepId, strength })),
      paces: strongest(pacesDrawn).map(([quantity, strength]) => ({ quantity, strength })),
    };
  }
}

/** The whole of it at once. */
export function readiness(planned: Planned, spreads: Spreads, runs: number, seed = 1): Readiness {
  let last: Readiness | undefined;
  for (const now of simulated(planned, spreads, runs, seed)) last = now;
  return last!;
}

/** Minutes of steps as the shop's constants have them. */
export const atShopPace = (steps: readonly Step[], constants: Record<Quantity, Constant>): Step[] =>
  steps.map((s) => ({ ...s, workMin: Math.ceil(s.workMin * workFactor(s.kind, constants)) }));
