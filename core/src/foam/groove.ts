import type { Habits } from '../materials';

/** Opening at the surface of a V groove of depth d that closes at fold β: 2·d·tan(β/2) (plane geometry). */
export const grooveOpeningMm = (depthMm: number, foldRad: number): number =>
  2 * depthMm * Math.tan(foldRad / 2);

/** Depth of what is cut for a fold, in thicknesses: a V a little more than half through (common practice, no source), the others from memory. */
const depths: Record<Habits['fold'], number> = {
  'v-groove': 0.55,
  'slanted-pair': 0.5,
  'heat-and-fold': 0,
  'partial-cut': 0.6,
};

/** How deep a fold is grooved, mm; nothing when it is only heated. */
export const grooveDepthMm = (thicknessMm: number, method: Habits['fold'] = 'v-groove'): number =>
  depths[method] * thicknessMm;

/**
 * Opening to cut for a fold. A V goes by the opening that closed a right angle cleanly in a groove test, with the tangent
 * of half the fold; without a test, and for other ways of cutting, it follows from the depth.
 */
export function foldOpeningMm(
  sheet: { thicknessMm: { value: number }; rightAngleMm?: { value: number } },
  foldRad: number,
  method: Habits['fold'] = 'v-groove',
): number {
  const tested = method === 'v-groove' ? sheet.rightAngleMm?.value : undefined;
  return tested === undefined
    ? grooveOpeningMm(grooveDepthMm(sheet.thicknessMm.value, method), foldRad)
    : tested * Math.tan(foldRad / 2);
}

/** Parallel grooves on the back of a bend: number and spacing so that each turns at most `eachRad`. */
export function groovesForBend(
  turnRad: number,
  arcMm: number,
  eachRad = Math.PI / 9,
): { count: number; spacingMm: number } {
  const count = Math.max(1, Math.ceil(turnRad / eachRad));
  return { count, spacingMm: arcMm / count };
}
