import { firstOf, itemAt, getFrom } from '../units';
import {
  type Calendar,
  DAY,
  dayNumber,
  type Hours,
  openHours,
  type Span,
  workFrom,
  workUntil,
} from './calendar';
import type { Step } from './step';
import { WaitingLine } from './waitingLine';
import { isNoisy, kindOrder } from './workKinds';

export interface Slot {
  stepId: string;
  /** Minutes since the midnight that begins the first day. */
  startMin: number;
  endMin: number;
  /** When it is really worked on: it may go on another day. */
  spans: Span[];
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

/** Who works on something, with the hours they have for quiet and for loud work. */
interface Crew {
  makers: number[];
  quiet: Hours;
  loud: Hours;
}

interface Crews {
  firstDay: string;
  alone: Crew[];
  together?: Crew;
}

/** A plan is laid out again and again on the same calendar. */
const known = new WeakMap<Calendar, Crews>();

/** Each maker alone, and all of them together where they meet. */
function crewsOf(calendar: Calendar, firstDay: string): Crews {
  const before = known.get(calendar);
  if (before?.firstDay === firstDay) return before;
  const open = openHours(calendar, firstDay);
  const crew = (makers: number[]): Crew => ({ makers, quiet: open(makers, false), loud: open(makers, true) });
  const all = calendar.makers.map((_, i) => i);
  // Evenings begin alike: who works on the same weekday meets.
  const meets =
    all.length > 1 &&
    firstOf(calendar.makers).some((_, day) => calendar.makers.every((week) => itemAt(week, day) > 0));
  const crews: Crews = { firstDay, alone: all.map((i) => crew([i])), ...(meets && { together: crew(all) }) };
  known.set(calendar, crews);
  return crews;
}

const hoursFor = (crew: Crew, step: Step): Hours => (isNoisy(step.kind) ? crew.loud : crew.quiet);

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
  const { alone, together } = crewsOf(calendar, startIso);
  const crewFor = new Map<string, Crew>();
  const places = new Map(steps.map((s, i) => [s.id, i]));
  const rank = (s: Step): number =>
    calendar.order === 'batches'
      ? kindOrder.indexOf(s.kind) * steps.length + getFrom(places, s.id)
      : getFrom(places, s.id);
  const next = new Map<string, Step[]>();
  const missing = new Map<string, number>();
  /** By the hours they wait for; those that several makers could do, each by themselves, are all looked at. */
  const lines = new Map<Hours, { crew: Crew; line: WaitingLine<Waiting> }>();
  const anyone: Waiting[] = [];
  const wait = (step: Step): void => {
    const gatedMin = step.after.reduce(
      (most, id) => Math.max(most, (ready.get(id) ?? 0) + lagOf(step, id)),
      0,
    );
    const waiting = { step, gatedMin, rank: rank(step) };
    const crew = step.hands === 2 && together ? together : alone.length === 1 ? firstOf(alone) : undefined;
    if (!crew) return void anyone.push(waiting);
    const hours = hoursFor(crew, step);
    const { line } = lines.get(hours) ?? { line: new WaitingLine<Waiting>(hours) };
    lines.set(hours, { crew, line });
    line.add(waiting);
  };
  for (const s of steps) {
    if (ready.has(s.id)) continue;
    const before = [...new Set(s.after)].filter((id) => places.has(id) && !ready.has(id));
    missing.set(s.id, before.length);
    for (const id of before) {
      const others = next.get(id);
      if (others) others.push(s);
      else next.set(id, [s]);
    }
    if (before.length === 0) wait(s);
  }
  const free = calendar.makers.map(() => 0);
  const slots: Slot[] = [];
  for (;;) {
    let best: Candidate | undefined;
    for (const { crew, line } of lines.values()) {
      const first = line.first(freeMin(crew, free));
      if (first && comesFirst(first, best)) best = { ...first, crew, taken: () => line.take() };
    }
    for (const of of anyone) {
      const own = soonest(of, alone, free);
      if (comesFirst({ of, ...own }, best))
        best = { of, ...own, taken: () => anyone.splice(anyone.indexOf(of), 1) };
    }
    if (!best) break;
    best.taken();
    const {
      crew,
      of: { step },
    } = best;
    const { startMin, endMin, spans } = workFrom(best.startMin, step.workMin, hoursFor(crew, step));
    const readyMin = endMin + step.waitMin;
    const { makers } = crew;
    slots.push({ stepId: step.id, startMin, endMin, spans, readyMin, makers, latestMin: startMin });
    crewFor.set(step.id, crew);
    ready.set(step.id, readyMin);
    for (const m of makers) free[m] = endMin;
    for (const s of next.get(step.id) ?? []) {
      missing.set(s.id, getFrom(missing, s.id) - 1);
      if (missing.get(s.id) === 0) wait(s);
    }
  }
  const finishMin = Math.max(0, ...ready.values());
  const eventMin = (dayNumber(eventIso) - dayNumber(startIso)) * DAY + EVENT_HOUR_MIN;
  latest(slots, steps, eventMin, crewFor);
  return {
    firstDay: startIso,
    slots: slots.sort((a, b) => a.startMin - b.startMin),
    finishMin,
    daysToSpare: Math.floor((eventMin - finishMin) / DAY),
  };
}

/** A step that may begin: what it waits for is ready then. */
interface Waiting {
  step: Step;
  gatedMin: number;
  rank: number;
}

/** What could be done next, by whom, and how it is taken from those that wait. */
interface Candidate {
  of: Waiting;
  startMin: number;
  crew: Crew;
  taken: () => void;
}

const freeMin = ({ makers }: Crew, free: readonly number[]): number =>
  Math.max(...makers.map((m) => itemAt(free, m)));

/** Whether a step comes before the best so far. */
const comesFirst = (
  { of, startMin }: Pick<Candidate, 'of' | 'startMin'>,
  best: Candidate | undefined,
): boolean => !best || startMin < best.startMin || (startMin === best.startMin && of.rank < best.of.rank);

/** Of the crews that may do a step the one that is through with it first, and when it begins. */
const soonest = (
  { step, gatedMin }: Waiting,
  crews: readonly Crew[],
  free: readonly number[],
): { crew: Crew; startMin: number } =>
  crews
    .map((crew) => ({
      crew,
      ...workFrom(Math.max(gatedMin, freeMin(crew, free)), step.workMin, hoursFor(crew, step)),
    }))
    .reduce((a, b) => (b.endMin < a.endMin ? b : a));

/** The same order laid backwards from the morning of the event: the latest each step may begin. */
function latest(
  slots: Slot[],
  steps: readonly Step[],
  eventMin: number,
  crews: ReadonlyMap<string, Crew>,
): void {
  const byId = new Map(steps.map((s) => [s.id, s]));
  const due = new Map<string, number>();
  const busy = new Map<number, number>();
  for (const slot of [...slots].reverse()) {
    const step = getFrom(byId, slot.stepId);
    const until = Math.min(
      (due.get(step.id) ?? eventMin) - step.waitMin,
      ...slot.makers.map((m) => busy.get(m) ?? eventMin),
    );
    slot.latestMin = workUntil(until, step.workMin, hoursFor(getFrom(crews, step.id), step)).startMin;
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
