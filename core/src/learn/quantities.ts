import { above0, day, id, object, oneOf, text, type ValueOf } from '../rule';

/** What a shop learns about itself: how much more or less than planned it really takes. */
export const quantities = {
  finishMass: {
    label: 'Mass of glue, coats and paint',
    unit: 'g',
    how: 'Put a finished part on a scale.',
  },
  handWork: {
    label: 'Hands-on time',
    unit: 'h',
    how: 'Write down the hours behind the steps that are ticked.',
  },
  coverage: {
    label: 'Sealer and paint for an area',
    unit: 'ml',
    how: 'At a coat, under Make: write down what it took.',
  },
  glue: {
    label: 'Glue for a length of seam',
    unit: 'g',
    how: 'At a seam, under Make: weigh the can before and after.',
  },
  capacity: {
    label: 'What cells give',
    unit: 'h',
    how: 'At the light test, under Make: write down how long the lamps burned.',
  },
  cutting: { label: 'Tracing, cutting, grooving', unit: 'min', how: 'Tick a step with what it took.' },
  gluing: { label: 'Gluing', unit: 'min', how: 'Tick a step with what it took.' },
  forming: { label: 'Heat forming', unit: 'min', how: 'Tick a step with what it took.' },
  sanding: { label: 'Bevels and rounding over', unit: 'min', how: 'Tick a step with what it took.' },
  wiring: { label: 'Drilling, soldering, testing', unit: 'min', how: 'Tick a step with what it took.' },
  other: {
    label: 'Printing, fitting, straps and the rest',
    unit: 'min',
    how: 'Tick a step with what it took.',
  },
  coating: { label: 'Sealing and painting', unit: 'min', how: 'Tick a step with what it took.' },
} as const;

export type Quantity = keyof typeof quantities;

export const quantityKeys = Object.keys(quantities) as Quantity[];

/** One reading: what was planned before anything was learned, and what it really was. */
export const readingRule = object({
  id,
  quantity: oneOf(...quantityKeys),
  planned: above0(1e6),
  actual: above0(1e6),
  takenOn: day,
  /** What was read, in the maker's words. */
  of: text(120),
});
export type Reading = ValueOf<typeof readingRule>;
