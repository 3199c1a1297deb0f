import { box, clear, foam, line } from '../../thumbnail';
import type { Closure } from './contract';
import { strapped } from './straps';

/** As it is sold for this; common practice, no source. */
const WIDE_MM = 20;

export const elastic: Closure = {
  ...strapped,
  name: 'elastic',
  picture: [
    foam('M6 8H28V40H6ZM44 8H66V40H44Z'),
    clear(box(20, 18, 32, 12)),
    line('M24 18V30M30 18V30M36 18V30M42 18V30M48 18V30'),
  ],
  shutsGaps: false,
  minGapMm: 5,
  maxGapMm: 200,
  perMG: 9,
  eachG: 1,
  perMPrice: 1.2,
  eachPrice: 0,
  eachMin: 8,
  stuff: `elastic, ${WIDE_MM} mm`,
  wideMm: WIDE_MM,
  provenance: 'practice',
};
