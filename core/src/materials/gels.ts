/** Colour filters before a white lamp: the share of its light that gets through; typical of stage filters, from memory. */
export const gels = {
  none: { label: 'none', passes: 1 },
  frost: { label: 'frosted', passes: 0.7 },
  amber: { label: 'amber', passes: 0.45 },
  green: { label: 'green', passes: 0.25 },
  red: { label: 'red', passes: 0.12 },
  blue: { label: 'blue', passes: 0.1 },
} as const;

export type Gel = keyof typeof gels;
