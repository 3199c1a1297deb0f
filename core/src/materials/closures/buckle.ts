import { box, casing, clear, foam, line } from '../../thumbnail';
import type { Closure } from './contract';
import { strapped } from './straps';

/** As it is sold for this; common practice, no source. */
const WIDE_MM = 25;

export const buckle: Closure = {
  ...strapped,
  name: 'strap and buckle',
  picture: [
    foam('M6 8H28V40H6ZM44 8H66V40H44Z'),
    casing(box(16, 19, 40, 10)),
    clear(box(32, 15, 10, 18)),
    line('M37 24H52'),
  ],
  shutsGaps: true,
  minGapMm: 10,
  maxGapMm: 60,
  perMG: 18,
  eachG: 11,
  perMPrice: 2,
  eachPrice: 1.6,
  eachMin: 15,
  stuff: `strap, ${WIDE_MM} mm, with buckles`,
  wideMm: WIDE_MM,
  provenance: 'practice',
};
