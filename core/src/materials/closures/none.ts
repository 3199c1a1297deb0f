import type { Closure } from './contract';
import { strapped } from './straps';

/** Glued edge to edge: there is no gap to shut. */
export const none: Closure = {
  ...strapped,
  name: 'closed tube, slipped on',
  joint: 'seam',
  shutsGaps: false,
  minGapMm: 0,
  maxGapMm: 0,
  perMG: 0,
  eachG: 0,
  perMPrice: 0,
  eachPrice: 0,
  eachMin: 0,
  stuff: '',
  provenance: 'practice',
  across: () => [],
};
