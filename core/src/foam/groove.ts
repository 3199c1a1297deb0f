/** Opening at the surface of a V groove of depth d that closes at fold β: 2·d·tan(β/2) (plane geometry). */
export const grooveOpeningMm = (depthMm: number, foldRad: number): number =>
  2 * depthMm * Math.tan(foldRad / 2);

/** Depth of the default V: a little more than half the thickness (common practice, no source). */
export const grooveDepthMm = (thicknessMm: number): number => 0.55 * thicknessMm;

/** Parallel grooves on the back of a bend: number and spacing so that each turns at most `eachRad`. */
export function groovesForBend(
  turnRad: number,
  arcMm: number,
  eachRad = Math.PI / 9,
): { count: number; spacingMm: number } {
  const count = Math.max(1, Math.ceil(turnRad / eachRad));
  return { count, spacingMm: arcMm / count };
}
