import type { Closure } from './contract';
import { strapped } from './straps';

export const elastic: Closure = {
  ...strapped,
  name: 'elastic',
  shutsGaps: false,
  minGapMm: 5,
  maxGapMm: 200,
  perMG: 9,
  eachG: 1,
  perMPrice: 1.2,
  eachPrice: 0,
  eachMin: 8,
  stuff: 'elastic, 20 mm',
  provenance: 'practice',
};
