import type { BuildDoc } from '../document';
import { calendarOf } from './calendar';
import { type Schedule, schedule } from './schedule';
import type { Step } from './step';

/**
 * Hours a day, in halves up to twelve, that leave a day to spare where there is none, and as a rule the fewest. Laying a
 * large plan out again and again takes longer than all the rest of an edit: it is for full answers.
 */
export function enoughHours(
  { brief, make }: Pick<BuildDoc, 'brief' | 'make'>,
  steps: readonly Step[],
  plan: Schedule,
): number | undefined {
  if (plan.daysToSpare >= 1) return undefined;
  const suffice = (halves: number): boolean => {
    const calendar = calendarOf({ brief: { hoursPerDay: halves / 2 }, make });
    return schedule(steps, make.done, plan.firstDay, brief.eventDate, calendar).daysToSpare >= 1;
  };
  // By bisection, since longer days usually finish sooner. The hours that are returned were scheduled and do finish in time.
  let [least, most] = [Math.ceil(brief.hoursPerDay * 2 + 0.1), 24];
  if (least > most || !suffice(most)) return undefined;
  while (least < most) {
    const middle = Math.floor((least + most) / 2);
    if (suffice(middle)) most = middle;
    else least = middle + 1;
  }
  return most / 2;
}
