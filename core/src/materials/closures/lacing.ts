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
