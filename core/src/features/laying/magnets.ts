import type { Bought } from '../contract';

/** Small magnets in pairs, one in each of two faces, as they are bought. */
export const magnetPairs = (pairs: number): Bought => ({
  what: 'magnets, 6 × 2 mm',
  unit: 'pieces',
  count: 2 * pairs,
  each: 0.15,
  massG: 2 * pairs * 0.4,
  provenance: 'memory',
});
