import { findIn } from '../units';
import ical, { ICalCalendarMethod } from 'ical-generator';
import type { Report } from '../report';
import { cautions } from '../materials';
import { oneLine } from './text';
import { scheduleTime, stepTime } from '../plan';

/** The steps still to do as calendar events in the maker's own local time (RFC 5545 floating times). */
export function scheduleIcs(report: Report, buildName: string, stamp: Date): string {
  const calendar = ical({
    name: oneLine(buildName),
    prodId: { company: 'Fomrik', product: 'Fomrik' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const slot of report.schedule.slots) {
    const step = findIn(report.steps, (s) => s.id === slot.stepId);
    const notes = [
      step.detail,
      stepTime(step),
      ...(step.gate ? [step.gate] : []),
      ...step.cautions.map((key) => cautions[key]),
    ];
    // The library writes a floating time by its UTC figures, so those are made the figures on the wall.
    const at = (minute: number): Date => new Date(`${scheduleTime(report.schedule, minute)}:00Z`);
    // A job that goes on another evening is an event on each.
    slot.spans.forEach(({ fromMin, toMin }, i) =>
      calendar.createEvent({
        id: `${step.id.replace(/[^\w-]/g, '-')}${i === 0 ? '' : `-${i + 1}`}@fomrik`,
        stamp,
        start: at(fromMin),
        end: at(toMin),
        floating: true,
        summary: oneLine(
          slot.spans.length > 1 ? `${step.title} (${i + 1} of ${slot.spans.length})` : step.title,
        ),
        description: notes.map(oneLine).join('\n'),
      }),
    );
  }
  return calendar.toString();
}
