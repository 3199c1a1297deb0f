import { clear, discs, foam, line } from '../../thumbnail';
import type { Closure } from './contract';

/** Eyelets of a laced edge stand this far apart; common practice, no source. */
const EYELETS_MM = 30;

/** A lace crossed from eyelet to eyelet over an edge, and a forearm's length to tie. */
function laceMm(edgeMm: number, gapMm: number): number {
  const crossings = Math.max(2, Math.floor(edgeMm / EYELETS_MM));
  return 2 * crossings * Math.hypot(EYELETS_MM, gapMm + 20) + 400;
}

export const lacing: Closure = {
  name: 'eyelets and lace',
  picture: [
    foam('M6 8H30V40H6ZM42 8H66V40H42Z'),
    clear(discs(3, [26, 13], [26, 24], [26, 35], [46, 13], [46, 24], [46, 35])),
    line('M26 13L46 24L26 35M46 13L26 24L46 35'),
  ],
  joint: 'closure',
  shutsGaps: true,
  minGapMm: 8,
  maxGapMm: 50,
  perMG: 4,
  eachG: 8,
  perMPrice: 0.8,
  eachPrice: 2.5,
  eachMin: 30,
  stuff: 'lace, with eyelets',
  provenance: 'practice',
  across: (edgeMm, gapMm) => [
    {
      where: `eyelets ${EYELETS_MM} mm apart on both edges`,
      count: 1,
      lengthMm: laceMm(edgeMm, gapMm(0.5)),
      overlapMm: 0,
    },
  ],
  between: { where: 'at each side, eyelets 30 mm apart on both plates', count: 2, overlapMm: 0 },
  betweenMm: laceMm,
};
