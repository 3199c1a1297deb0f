import { grooveDepthMm } from '../foam';
import type { FoamSheet, Habits } from '../materials';

/** A fold of a sheet: how deep its groove is, how wide it opens, and where it puts the edges it joins. */
export interface Fold {
  turnRad: number;
  grooveMm: number;
  webMm: number;
  /** How far the fold line lies beyond the edge of the inner face, mm. */
  outMm: number;
}

/**
 * A fold by a groove on the side it closes to, as deep as the method cuts it; heated and folded, the whole sheet is web. The web left at the bottom, q thick, bends about the groove's tip:
 * its far face is rounded by q and its neutral layer is k·q·β long, so that the fold line lies
 * q·tan(β/2) − k·q·β/2 inside the corner of the far face (bend allowance, sheet-metal handbooks).
 * @param turnRad positive when the outer face is the outside of the corner.
 */
export function foldOf(
  { thicknessMm, neutralFraction }: FoamSheet,
  turnRad: number,
  method: Habits['fold'],
): Fold {
  const t = thicknessMm.value;
  const grooveMm = grooveDepthMm(t, method);
  const webMm = t - grooveMm;
  const half = Math.abs(turnRad) / 2;
  const inside = webMm * Math.tan(half) - neutralFraction.value * webMm * half;
  // The far face is the outer one, its corner t·tan(β/2) beyond that of the inner, or the inner one itself.
  const cornerMm = turnRad > 0 ? t * Math.tan(half) : 0;
  return { turnRad, grooveMm, webMm, outMm: cornerMm - inside };
}
