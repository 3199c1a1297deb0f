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
 * Of the steps that may begin, the one that could begin earliest is done next.
 */
export function schedule(
  steps: readonly Step[],
  done: ReadonlySet<string>,
  startIso: string,
  eventIso: string,
  hoursPerDay: number,
): Schedule {
  const ready = new Map<string, number>([...done].map((id) => [id, 0]));
  const open = steps.filter((s) => !done.has(s.id));
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
  const finishMin = slots.reduce((max, s) => Math.max(max, s.readyMin), 0);
  const eventMin = (dayNumber(eventIso) - dayNumber(startIso)) * DAY + EVENT_HOUR_MIN;
  return { firstDay: startIso, slots, finishMin, daysToSpare: Math.floor((eventMin - finishMin) / DAY) };
}

/** ISO local date-time of a minute of the schedule. */
export function scheduleTime(plan: Schedule, minute: number): string {
  return new Date(Date.parse(`${plan.firstDay}T00:00:00Z`) + Math.round(minute) * 60_000)
    .toISOString()
    .slice(0, 16);
}
