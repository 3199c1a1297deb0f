import Joi from 'joi';
import {
  day,
  flag,
  id,
  list,
  name,
  object,
  oneOf,
  optional,
  rule,
  text,
  tuple,
  type ValueOf,
  within,
} from '../rule';

const insideMm = within(50, 3000);

/** A box, case or bag: its inside, longest side first or not. */
const travelCaseRule = object({ id, name, insideMm: tuple(insideMm, insideMm, insideMm) });
export type TravelCase = ValueOf<typeof travelCaseRule>;

/** What is wanted: when, for how much, and what the way there and the event admit. */
export const briefRule = object({
  // Files from before versions carry a word that nothing reads.
  version: optional(rule<never>(Joi.any().strip())),
  /** ISO dates. */
  startDate: day,
  eventDate: day,
  hoursPerDay: within(0.25, 16),
  budget: within(0, 1_000_000),
  currency: oneOf('EUR', 'USD', 'GBP'),
  /** What an hour is charged, where the maker sells. */
  hourlyRate: optional(within(0, 1000)),
  /** Hours the lamps must burn at the event. */
  lightHours: within(0, 200),
  /** How cold it is there, °C; 20 when left out. */
  coldC: optional(within(-30, 45)),
  /** Longest piece that fits the luggage and that the event allows. */
  luggageMm: within(100, 5000),
  /** Cases and boxes it travels in, by their insides. */
  boxes: optional(list(travelCaseRule, { most: 20, unique: 'id' })),
  eventMaxMm: within(100, 10_000),
  /** What the event admits of things that are carried, where it says so. */
  maxCarriedG: optional(within(1, 50_000)),
  maxRigidMm: optional(within(1, 10_000)),
  softEdges: flag,
  noBarrel: flag,
  notes: text(20_000),
});
