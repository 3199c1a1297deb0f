import { parallelGirth } from '../geometry';
import type { Fastening } from './contract';

/** Hook-and-loop that holds: 50 mm of overlap, and 30 mm glued at either end; common practice, no source. */
export const OVERLAP_MM = 50;
const ANCHOR_MM = 30;

/** A strap over a span, with its overlap and its anchored ends. */
export const strapOver = (spanMm: number, where: string, count = 1): Fastening => ({
  closure: 'hook-and-loop',
  where,
  count,
  lengthMm: spanMm + OVERLAP_MM + 2 * ANCHOR_MM,
  overlapMm: OVERLAP_MM,
});

/** A strap round a limb for a part that lies on one side of it only. */
export const roundLimb = (girthMm: number, underLayerMm: number, where: string): Fastening =>
  strapOver(parallelGirth(girthMm, underLayerMm) * 0.6, where);
