import type { BuildDoc } from '../document';

/** Minutes from the midnight that begins the first day. */
export interface Span {
  fromMin: number;
  toMin: number;
}

/** When work is done: hours of each weekday, Monday first, of each maker; days nobody works; hours no tool may be heard. */
export interface Calendar {
  makers: readonly (readonly number[])[];
  daysOff: readonly string[];
  /** Minutes of the day from which and until which it is quiet, over midnight as a rule. */
  quiet?: { fromMin: number; toMin: number };
  order: 'parts' | 'batches';
}

export const DAY = 1440;
/** A calendar that has no hour left in so many days is not asked any longer: work is then laid on every evening. */
const GIVE_UP_DAYS = 800;
const FALLBACK_HOURS = 2;

export const dayNumber = (iso: string): number => Date.parse(`${iso.slice(0, 10)}T00:00:00Z`) / 86_400_000;

/** Monday is 0; the first of January 1970 was a Thursday. */
export const weekdayOf = (day: number): number => (((day + 3) % 7) + 7) % 7;

/** The calendar of a build: the same hours every day until weekdays are told apart. */
export function calendarOf({
  brief,
  make,
}: Pick<BuildDoc, 'make'> & { brief: Pick<BuildDoc['brief'], 'hoursPerDay'> }): Calendar {
  const { hours, daysOff = [], quiet, helperHours, order = 'parts' } = make.calendar ?? {};
  return {
    makers: [hours ?? Array<number>(7).fill(brief.hoursPerDay), ...(helperHours ? [helperHours] : [])],
    daysOff,
    ...(quiet && { quiet }),
    order,
  };
}

/** Evenings begin at six; long days begin early enough to end by ten (a shop habit). */
const dayStartMin = (hours: number): number => Math.max(6 * 60, Math.min(18 * 60, 22 * 60 - hours * 60));

const meet = (a: readonly Span[], b: readonly Span[]): Span[] =>
  a.flatMap((s) =>
    b.flatMap((t) => {
      const [fromMin, toMin] = [Math.max(s.fromMin, t.fromMin), Math.min(s.toMin, t.toMin)];
      return toMin > fromMin ? [{ fromMin, toMin }] : [];
    }),
  );

/** When a day is not quiet, minutes of it. */
function heard({ fromMin, toMin }: { fromMin: number; toMin: number }): Span[] {
  if (fromMin === toMin) return [{ fromMin: 0, toMin: DAY }];
  return fromMin > toMin
    ? [{ fromMin: toMin, toMin: fromMin }]
    : [
        { fromMin: 0, toMin: fromMin },
        { fromMin: toMin, toMin: DAY },
      ];
}

/** Whether a calendar leaves any hour of the week for loud tools; when it leaves none, quiet is not kept to. */
export function loudHours({ makers, quiet }: Calendar): boolean {
  return !quiet || makers.some((week) => week.some((hours) => meet(daySpan(hours), heard(quiet)).length > 0));
}

const daySpan = (hours: number): Span[] => {
  const fromMin = dayStartMin(hours);
  return hours > 0 ? [{ fromMin, toMin: fromMin + hours * 60 }] : [];
};

/** When some makers all work on days counted from a first one, remembered as they are asked. */
export function openHours(
  calendar: Calendar,
  firstDay: string,
): (makers: readonly number[], noisy: boolean) => Hours {
  const first = dayNumber(firstDay);
  const off = new Set(calendar.daysOff.map(dayNumber));
  const ofMaker = (day: number, maker: number): Span[] => {
    return daySpan(off.has(first + day) ? 0 : (calendar.makers[maker]?.[weekdayOf(first + day)] ?? 0));
  };
  const quiet = loudHours(calendar) ? calendar.quiet : undefined;
  return (makers, noisy) => {
    const known = new Map<number, Span[]>();
    return (day) => {
      const before = known.get(day);
      if (before) return before;
      const all = makers
        .map((maker) => ofMaker(day, maker))
        .reduce((a, b) => meet(a, b), [{ fromMin: 0, toMin: DAY }]);
      const own = (noisy && quiet ? meet(all, heard(quiet)) : all).map((s) => ({
        fromMin: s.fromMin + day * DAY,
        toMin: s.toMin + day * DAY,
      }));
      known.set(day, own);
      return own;
    };
  };
}

/** Hours of one kind of work: on which days, of whom. */
export type Hours = (day: number) => readonly Span[];

const fallback = (day: number): Span[] => {
  const fromMin = day * DAY + dayStartMin(FALLBACK_HOURS);
  return [{ fromMin, toMin: fromMin + FALLBACK_HOURS * 60 }];
};

/** The first open minute from one on. */
export function opensFrom(fromMin: number, hours: Hours): number {
  const first = Math.floor(fromMin / DAY);
  for (let day = first; ; day++)
    for (const span of day - first > GIVE_UP_DAYS ? fallback(day) : hours(day))
      if (span.toMin > fromMin) return Math.max(fromMin, span.fromMin);
}

/** Work as it is laid: from when to when, and the spans it is really done in. */
export interface Laid {
  startMin: number;
  endMin: number;
  spans: Span[];
}

/** Lays work over open hours from a minute on; a job may run on the next day. */
export function workFrom(fromMin: number, workMin: number, hours: Hours): Laid {
  let left = workMin;
  let start: number | undefined;
  const spans: Span[] = [];
  const first = Math.floor(fromMin / DAY);
  for (let day = first; ; day++) {
    for (const span of day - first > GIVE_UP_DAYS ? fallback(day) : hours(day)) {
      if (span.toMin <= fromMin) continue;
      const at = Math.max(fromMin, span.fromMin);
      start ??= at;
      const worked = Math.min(left, span.toMin - at);
      left -= worked;
      spans.push({ fromMin: at, toMin: at + worked });
      if (left <= 1e-9) return { startMin: start, endMin: at + worked, spans };
    }
  }
}

/** Lays work over open hours so that it is done by a minute, as late as it goes. */
export function workUntil(
  untilMin: number,
  workMin: number,
  hours: Hours,
): { startMin: number; endMin: number } {
  let left = workMin;
  let end: number | undefined;
  const last = Math.floor(untilMin / DAY);
  for (let day = last; day > last - GIVE_UP_DAYS; day--) {
    for (const span of [...hours(day)].reverse()) {
      if (span.fromMin >= untilMin) continue;
      const at = Math.min(untilMin, span.toMin);
      end ??= at;
      const worked = Math.min(left, at - span.fromMin);
      left -= worked;
      if (left <= 1e-9) return { startMin: at - worked, endMin: end };
    }
  }
  return { startMin: untilMin - GIVE_UP_DAYS * DAY, endMin: end ?? untilMin };
}
