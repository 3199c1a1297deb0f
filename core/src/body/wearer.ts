import { day, list, name, object, oneOf, optional, type ValueOf, within } from '../rule';
import { measures } from './measures';

/** One reading, dated and kept; the newest of a key counts. */
const measureRule = object({
  key: oneOf(...measures.map((m) => m.key)),
  /** Limbs may differ; a reading without a side is for both. */
  side: optional(oneOf('left', 'right')),
  valueMm: within(0.1, 10_000),
  source: oneOf('tape', 'scan', 'csv'),
  /** ISO date. */
  takenOn: day,
});
export type Measure = ValueOf<typeof measureRule>;
export type MeasureSource = Measure['source'];
export type LimbSide = NonNullable<Measure['side']>;

/** Who it is made for. */
export const wearerShape = {
  name,
  /** Thickness of clothing under the armour. */
  underLayerMm: within(0, 40),
  measures: list(measureRule, { most: 2000 }),
};
export const wearerRule = object(wearerShape);
export type Wearer = ValueOf<typeof wearerRule>;
