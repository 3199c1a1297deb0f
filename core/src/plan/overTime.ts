import type { LogEntry } from '../document';
import type { Reading } from '../learn';
import { tookId } from './compared';
import type { Schedule } from './schedule';
import type { Step } from './step';

/** So much in all by the end of a day. */
export interface ByDay {
  day: string;
  sum: number;
}

/** Amounts of days, added up from the first to the last. */
function summed(amounts: readonly { day: string; amount: number }[], from = 0): ByDay[] {
  const days = new Map<string, number>();
  for (const { day, amount } of amounts) days.set(day, (days.get(day) ?? 0) + amount);
  let sum = from;
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([day, amount]) => ({ day, sum: (sum += amount) }));
}

const DAY_MS = 86_400_000;
const MIN_PER_DAY = 1440;

/** The day of a schedule's minute, YYYY-MM-DD. */
const dayAt = (firstDay: string, min: number): string =>
  new Date(Date.parse(`${firstDay}T00:00:00Z`) + Math.floor(min / MIN_PER_DAY) * DAY_MS)
    .toISOString()
    .slice(0, 10);

/** Hours by the day: what steps took that were ticked with their minutes, what was stated for them, and what is still planned. */
export function hoursOverTime(
  steps: readonly Step[],
  { firstDay, slots }: Pick<Schedule, 'firstDay' | 'slots'>,
  readings: readonly Reading[],
  done: Readonly<Record<string, string>>,
): { taken: ByDay[]; stated: ByDay[]; ahead: ByDay[] } {
  const own = new Set(steps.map(tookId));
  const ticked = readings.filter((r) => own.has(r.id));
  const of = (amount: (r: Reading) => number): ByDay[] =>
    summed(ticked.map((r) => ({ day: r.takenOn, amount: amount(r) / 60 })));
  const taken = of((r) => r.actual);
  const rest = new Map(steps.filter((s) => done[s.id] === undefined).map((s) => [s.id, s]));
  return {
    taken,
    stated: of((r) => r.planned),
    ahead: summed(
      slots.flatMap((slot) => {
        const step = rest.get(slot.stepId);
        return step ? [{ day: dayAt(firstDay, slot.endMin), amount: step.workMin / 60 }] : [];
      }),
      taken.at(-1)?.sum ?? 0,
    ),
  };
}

/** What receipts in a currency come to by the day. */
export const moneyOverTime = (log: readonly LogEntry[], currency: string): ByDay[] =>
  summed(
    log.flatMap((e) =>
      e.sort === 'bought' && e.actual !== null && e.unit === currency
        ? [{ day: e.at.slice(0, 10), amount: e.actual }]
        : [],
    ),
  );
