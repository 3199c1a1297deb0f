import { signedArea } from '../geometry';
import { also, day, id, list, object, oneOf, optional, text, type ValueOf, whole, within } from '../rule';

/** How pieces may be turned on a sheet: any way, square to how they are drawn, or only upside down. */
const turnsRule = oneOf('any', 'quarters', 'halves');
export type Turns = ValueOf<typeof turnsRule>;

/** What encloses less is no foam. */
const LEAST_OFFCUT_MM2 = 100;

const ring = also(
  list(object({ x: within(0, 5000), y: within(0, 5000) }), { least: 3, most: 600 }),
  (points) =>
    Math.abs(signedArea(points)) >= LEAST_OFFCUT_MM2 ? undefined : '{{#label}} encloses under 1 cm²',
);

/** What was left of a sheet: its outline with the holes cut out of it, mm, its lower left corner at nought; and where it lies. */
const offcutRule = object({
  id,
  place: text(80),
  /** ISO date it was put by. */
  since: day,
  outline: ring,
  holes: optional(list(ring, { most: 40 })),
});
export type Offcut = ValueOf<typeof offcutRule>;

/** What the maker has, and has measured, of one foam in one thickness. */
export const foamStockRule = object({
  foamId: id,
  nominalMm: within(0.5, 200),
  sheets: whole(0, 1000),
  /** Caliper reading, when the sheet is not its nominal thickness. */
  measuredMm: optional(within(0.5, 240)),
  /** What one whole sheet weighs on a scale, grams. */
  sheetG: optional(within(1, 50_000)),
  /** From a ring test. */
  neutralFraction: optional(within(0, 1)),
  /** From a groove test: opening of a V that closed a right angle cleanly. */
  rightAngleMm: optional(within(0.5, 60)),
  pricePerSheet: optional(within(0, 10_000)),
  /** How pieces may be turned for grain or print; any way when left out. */
  turns: optional(turnsRule),
  /** What was left of sheets that were cut. */
  offcuts: optional(list(offcutRule, { most: 100, unique: 'id' })),
});
export type FoamStock = ValueOf<typeof foamStockRule>;
