import { box, casing, foam, line } from '../../thumbnail';
import type { Closure } from './contract';
import { strapped } from './straps';

/** As it is sold for this; common practice, no source. */
const WIDE_MM = 25;

export const hookAndLoop: Closure = {
  ...strapped,
  name: 'hook-and-loop straps',
  picture: [
    foam('M6 8H30V40H6ZM42 8H66V40H42Z'),
    casing(box(20, 17, 32, 14)),
    line('M23 20h2m3 0h2m3 0h2m3 0h2m3 0h2M23 24h2m3 0h2m3 0h2m3 0h2m3 0h2M23 28h2m3 0h2m3 0h2m3 0h2m3 0h2'),
  ],
  shutsGaps: true,
  minGapMm: 5,
  maxGapMm: 40,
  perMG: 22,
  eachG: 2,
  perMPrice: 3.2,
  eachPrice: 0,
  eachMin: 10,
  stuff: `strap, ${WIDE_MM} mm, with hook-and-loop ends`,
  wideMm: WIDE_MM,
  provenance: 'practice',
};
