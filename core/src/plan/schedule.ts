import { type Calendar, DAY, dayNumber, openHours, workFrom, workUntil } from './calendar';
import type { Step } from './step';
import { isNoisy, kindOrder } from './workKinds';

export interface Slot {
  stepId: string;
  /** Minutes since the midnight that begins the first day. */
  startMin: number;
  endMin: number;
  /** When what it gates may begin. */
  readyMin: number;
  /** Who does it. */
  makers: number[];
  /** The latest it may begin, in this order, for everything to be ready by the morning of the event. */
  latestMin: number;
}

export interface Schedule {
  firstDay: string;
  /** In the order in which they begin. */
  slots: Slot[];
  finishMin: number;
  /** Whole days between finishing and the morning of the event; negative is late. */
  daysToSpare: number;
}

/** The event begins at eight in the morning. */
const EVENT_HOUR_MIN = 8 * 60;

/**
 * Minutes by the clock on the wall from the midnight that begins `firstDay` to a moment (ISO with its zone). The
 * schedule knows no zones: when the clocks change, evening work still begins in the evening.
 */
export function wallMinute(moment: string, firstDay: string): number {
  const at = new Date(moment);
  const wall = Date.UTC(at.getFullYear(), at.getMonth(), at.getDate(), at.getHours(), at.getMinutes());
  return wall / 60_000 - dayNumber(firstDay) * DAY;
}

const lagOf = ({ lags }: Pick<Step, 'lags'>, id: string): number => lags?.[id] ?? 0;

/** Who does a step: both where it wants two people and there are two, else whoever is free first. */
function makersFor(step: Step, free: readonly number[], together: boolean): number[] {
  if (free.length === 1) return [0];
  if (step.hands === 2 && !together) return [0];
  return step.hands === 2 ? free.map((_, i) => i) : [free.indexOf(Math.min(...free))];
}

/**
 * One thing at a time for each maker; drying and curing run meanwhile and overnight. Of the steps that may begin, the
 * one that could begin earliest is done next; of those alike the first in its part, or in batches the earliest kind of
 * work. What is done still dries.
 * @param done when steps were done, ISO, by their ids.
 */
export function schedule(
  steps: readonly Step[],
  done: Readonly<Record<string, string>>,
  startIso: string,
  eventIso: string,
  calendar: Calendar,
): Schedule {
  const ready = new Map(
    steps.flatMap((s) => {
      const at = done[s.id];
      return at === undefined ? [] : [[s.id, wallMinute(at, startIso) + s.waitMin] as const];
    }),
  );
  const open = openHours(calendar, startIso);
  const places = new Map(steps.map((s, i) => [s.id, i]));
  const rank = (s: Step): number =>
    calendar.order === 'batches'
      ? kindOrder.indexOf(s.kind) * steps.length + places.get(s.id)!
      : places.get(s.id)!;
  const next = new Map<string, Step[]>();
  const missing = new Map<string, number>();
  const candidates = new Set<Step>();
  for (const s of steps) {
    if (ready.has(s.id)) continue;
    const before = [...new Set(s.after)].filter((id) => places.has(id) && !ready.has(id));
    missing.set(s.id, before.length);
    for (const id of before) next.set(id, [...(next.get(id) ?? []), s]);
    if (before.length === 0) candidates.add(s);
  }
  const free = calendar.makers.map(() => 0);
  // Evenings begin alike: who works on the same weekday meets.
  const together = calendar.makers[0]!.some((_, day) => calendar.makers.every((week) => week[day]! > 0));
  const slots: Slot[] = [];
  while (candidates.size > 0) {
    let best: { step: Step; from: number; makers: number[] } | undefined;
    for (const step of candidates) {
      const makers = makersFor(step, free, together);
      let from = Math.max(0, ...makers.map((m) => free[m]!));
      for (const id of step.after) from = Math.max(from, (ready.get(id) ?? 0) + lagOf(step, id));
      if (!best || from < best.from || (from === best.from && rank(step) < rank(best.step)))
        best = { step, from, makers };
    }
    const { step, from, makers } = best!;
    const { startMin, endMin } = workFrom(from, step.workMin, (day) => open(day, makers, isNoisy(step.kind)));
    const readyMin = endMin + step.waitMin;
    slots.push({ stepId: step.id, startMin, endMin, readyMin, makers, latestMin: startMin });
    ready.set(step.id, readyMin);
    for (const m of makers) free[m] = endMin;
    candidates.delete(step);
    for (const s of next.get(step.id) ?? []) {
      missing.set(s.id, missing.get(s.id)! - 1);
      if (missing.get(s.id) === 0) candidates.add(s);
    }
  }
  const finishMin = Math.max(0, ...ready.values());
  const eventMin = (dayNumber(eventIso) - dayNumber(startIso)) * DAY + EVENT_HOUR_MIN;
  latest(slots, steps, eventMin, (makers, noisy) => (day) => open(day, makers, noisy));
  return {
    firstDay: startIso,
    slots: slots.sort((a, b) => a.startMin - b.startMin),
    finishMin,
    daysToSpare: Math.floor((eventMin - finishMin) / DAY),
  };
}

/** The same order laid backwards from the morning of the event: the latest each step may begin. */
function latest(
  slots: Slot[],
  steps: readonly Step[],
  eventMin: number,
  hours: (makers: number[], noisy: boolean) => (day: number) => ReturnType<ReturnType<typeof openHours>>,
): void {
  const byId = new Map(steps.map((s) => [s.id, s]));
  const due = new Map<string, number>();
  const busy = new Map<number, number>();
  for (const slot of [...slots].reverse()) {
    const step = byId.get(slot.stepId)!;
    const until = Math.min(
      (due.get(step.id) ?? eventMin) - step.waitMin,
      ...slot.makers.map((m) => busy.get(m) ?? eventMin),
    );
    slot.latestMin = workUntil(until, step.workMin, hours(slot.makers, isNoisy(step.kind))).startMin;
    for (const m of slot.makers) busy.set(m, slot.latestMin);
    for (const id of step.after)
      due.set(id, Math.min(due.get(id) ?? Infinity, slot.latestMin - lagOf(step, id)));
  }
}

/** ISO local date-time of a minute of the schedule. */
export function scheduleTime(plan: Schedule, minute: number): string {
  return new Date(Date.parse(`${plan.firstDay}T00:00:00Z`) + Math.round(minute) * 60_000)
    .toISOString()
    .slice(0, 16);
}
