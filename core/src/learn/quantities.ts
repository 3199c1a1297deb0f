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
} as const;

export type Quantity = keyof typeof quantities;

export const quantityKeys = Object.keys(quantities) as Quantity[];

/** One reading: what was planned before anything was learned, and what it really was. */
export interface Reading {
  id: string;
  quantity: Quantity;
  planned: number;
  actual: number;
  /** ISO date. */
  takenOn: string;
  /** What was read, in the maker's words. */
  of: string;
}
