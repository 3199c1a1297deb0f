import type { Closure } from './contract';
import { strapped } from './straps';

export const buckle: Closure = {
  ...strapped,
  name: 'strap and buckle',
  shutsGaps: true,
  minGapMm: 10,
  maxGapMm: 60,
  perMG: 18,
  eachG: 11,
  perMPrice: 2,
  eachPrice: 1.6,
  eachMin: 15,
  stuff: 'strap, 25 mm, with buckles',
  provenance: 'practice',
};
