import { object, oneOf, optional, type ValueOf, within } from '../rule';

/** How a maker works where makers differ. */
export const habitsRule = object({
  /** Where the patterned face of a mat goes; inside when left out. */
  patterned: optional(oneOf('inside', 'outside')),
  glue: oneOf('contact', 'instant', 'hot'),
  fold: oneOf('v-groove', 'slanted-pair', 'heat-and-fold', 'partial-cut'),
  seal: oneOf('spray-rubber', 'brush-on', 'acrylic', 'latex', 'thermoplastic'),
  cutter: oneOf('knife', 'band-saw', 'laser'),
  /** Edges off square: cut square on the outer line and bevelled to a second one, or cut with the blade tilted on one line. */
  bevel: oneOf('two-lines', 'tilted'),
  /** What the saw for pipes and rods takes away, mm. */
  sawKerfMm: within(0.5, 6),
});
export type Habits = ValueOf<typeof habitsRule>;

/** What a build begins with; the maker changes it under Make. */
export const startHabits: Habits = {
  glue: 'contact',
  fold: 'v-groove',
  seal: 'spray-rubber',
  cutter: 'knife',
  bevel: 'two-lines',
  // A fine hand saw; common practice, no source.
  sawKerfMm: 1.8,
};
