import { foam, line } from '../../thumbnail';
import type { Closure } from './contract';
import { strapped } from './straps';

/** Glued edge to edge: there is no gap to shut. */
export const none: Closure = {
  ...strapped,
  name: 'closed tube, slipped on',
  picture: [foam('M6 8H35V40H6ZM35 8H66V40H35Z'), line('M35 8V40')],
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
