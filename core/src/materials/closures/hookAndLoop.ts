import type { Closure } from './contract';
import { strapped } from './straps';

export const hookAndLoop: Closure = {
  ...strapped,
  name: 'hook-and-loop straps',
  shutsGaps: true,
  minGapMm: 5,
  maxGapMm: 40,
  perMG: 22,
  eachG: 2,
  perMPrice: 3.2,
  eachPrice: 0,
  eachMin: 10,
  stuff: 'strap, 25 mm, with hook-and-loop ends',
  provenance: 'practice',
};
