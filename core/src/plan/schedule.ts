import type { Step } from './step';

export interface Slot {
  stepId: string;
  /** Minutes since the midnight that begins the first day. */
  startMin: number;
  endMin: number;
  /** When what it gates may begin. */
  readyMin: number;
}

export interface Schedule {
  firstDay: string;
  slots: Slot[];
  finishMin: number;
  /** Whole days between finishing and the morning of the event; negative is late. */
  daysToSpare: number;
}

const DAY = 1440;
/** The event begins at eight in the morning. */
const EVENT_HOUR_MIN = 8 * 60;

/** Evenings begin at six; long days begin early enough to end by ten (a shop habit). */
const dayStartMin = (hoursPerDay: number): number =>
  Math.max(6 * 60, Math.min(18 * 60, 22 * 60 - hoursPerDay * 60));

const dayNumber = (iso: string): number => Date.parse(`${iso.slice(0, 10)}T00:00:00Z`) / 86_400_000;

/**
 * Minutes by the clock on the wall from the midnight that begins `firstDay` to a moment (ISO with its zone). The
 * schedule knows no zones: when the clocks change, evening work still begins in the evening.
 */
function wallMinute(moment: string, firstDay: string): number {
  const at = new Date(moment);
  const wall = Date.UTC(at.getFullYear(), at.getMonth(), at.getDate(), at.getHours(), at.getMinutes());
  return wall / 60_000 - dayNumber(firstDay) * DAY;
}

/** Spreads work over the working hours from `fromMin`; a job may run on the next day. */
function doWork(fromMin: number, workMin: number, hoursPerDay: number): { startMin: number; endMin: number } {
  const opens = dayStartMin(hoursPerDay);
  const length = hoursPerDay * 60;
  let at = fromMin;
  let left = workMin;
  let start: number | undefined;
  for (;;) {
    const day = Math.floor(at / DAY);
    const open = day * DAY + opens;
    const close = open + length;
    if (at >= close) {
      at = (day + 1) * DAY;
      continue;
    }
    at = Math.max(at, open);
    start ??= at;
    const worked = Math.min(left, close - at);
    at += worked;
    left -= worked;
    if (left <= 1e-9) return { startMin: start, endMin: at };
  }
}

/**
 * One maker, one thing at a time; drying and curing run meanwhile and overnight.
 * Of the steps that may begin, the one that could begin earliest is done next. What is done still dries.
 * @param done when steps were done, ISO, by their ids.
 */
export function schedule(
  steps: readonly Step[],
  done: Readonly<Record<string, string>>,
  startIso: string,
  eventIso: string,
  hoursPerDay: number,
): Schedule {
  const ready = new Map(
    steps.flatMap((s) => {
      const at = done[s.id];
      return at === undefined ? [] : [[s.id, wallMinute(at, startIso) + s.waitMin] as const];
    }),
  );
  const open = steps.filter((s) => !ready.has(s.id));
  const known = new Set(steps.map((s) => s.id));
  const slots: Slot[] = [];
  let free = 0;
  while (open.length > 0) {
    const candidates = open
      .filter((s) => s.after.every((id) => ready.has(id) || !known.has(id)))
      .map((step) => ({ step, from: Math.max(free, ...step.after.map((id) => ready.get(id) ?? 0)) }));
    const next = candidates.reduce((best, c) => (c.from < best.from ? c : best));
    const { startMin, endMin } = doWork(next.from, next.step.workMin, hoursPerDay);
    const readyMin = endMin + next.step.waitMin;
    slots.push({ stepId: next.step.id, startMin, endMin, readyMin });
    ready.set(next.step.id, readyMin);
    free = endMin;
    open.splice(open.indexOf(next.step), 1);
  }
  const finishMin = Math.max(0, ...ready.values());
  const eventMin = (dayNumber(eventIso) - dayNumber(startIso)) * DAY + EVENT_HOUR_MIN;
  return { firstDay: startIso, slots, finishMin, daysToSpare: Math.floor((eventMin - finishMin) / DAY) };
}

/** ISO local date-time of a minute of the schedule. */
export function scheduleTime(plan: Schedule, minute: number): string {
  return new Date(Date.parse(`${plan.firstDay}T00:00:00Z`) + Math.round(minute) * 60_000)
    .toISOString()
    .slice(0, 16);
}
