import Joi from 'joi';
import { readingRule } from '../learn';
import { habitsRule } from '../materials';
import {
  also,
  byKey,
  day,
  id,
  list,
  moment,
  object,
  oneOf,
  optional,
  rule,
  type ValueOf,
  whole,
} from '../rule';

const week = rule<number[]>(Joi.array().length(7).items(Joi.number().min(0).max(16)));
const minuteOfDay = whole(0, 1440);

/** When work is done, where it is not so many hours every day by one maker. */
const calendarRule = object({
  /** Hours of each weekday, Monday first. */
  hours: optional(
    also(week, (hours) =>
      hours.some((h) => h > 0) ? undefined : '“hours”: at least one weekday must have some, up to 16',
    ),
  ),
  /** Of someone who helps. */
  helperHours: optional(week),
  /** ISO dates. */
  daysOff: optional(list(day, { most: 400, unique: true })),
  /** No loud tools from a minute of the day to another, over midnight as a rule. */
  quiet: optional(object({ fromMin: minuteOfDay, toMin: minuteOfDay })),
  /** Part by part, or like work of all parts together; part by part when left out. */
  order: optional(oneOf('parts', 'batches')),
});
export type MakeCalendar = ValueOf<typeof calendarRule>;

/** How it is made, when, and how far it is. */
export const makePlanRule = object({
  habits: habitsRule,
  calendar: optional(calendarRule),
  /** Step id → ISO time it was ticked. */
  done: byKey(id, moment),
  /** What this shop has read off its own work. */
  readings: optional(list(readingRule, { most: 500, unique: 'id' })),
});
