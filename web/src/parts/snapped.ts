/** Nearer than this to a middle or a neighbour something snaps there, as a share of the piece. */
const NEAR = 0.02;
/** As near as this to an edge or its quarters. */
const MARKS = [0.5, 0.25, 0.75];

/** Where a share snaps to: the middle of the piece, another thing on it, or its quarters; nothing when it is near none. */
export function snapOf(t: number, others: readonly number[]): number | undefined {
  const marks = [MARKS[0]!, ...others, ...MARKS.slice(1)];
  return marks.find((m) => Math.abs(m - t) < NEAR);
}

/** A share within its piece, to a ten-thousandth. */
export const clampShare = (t: number): number => Math.min(1, Math.max(0, Math.round(t * 1e4) / 1e4));

/** As near as this to another value, mm or degrees, or this share of it, a dragged value snaps to it. */
const NEAR_VALUE = 1.6;
const NEAR_PART = 0.01;
/** Angles snap to every so many degrees. */
const ANGLES = 15;

/** The value of another dimension that a dragged one is near to, or a round angle, and what it is called. */
export function snapValue(
  value: number,
  unit: string,
  others: readonly { label: string; value: number }[],
): { value: number; words: string } | undefined {
  const reach = NEAR_VALUE + NEAR_PART * Math.abs(value);
  const nearest = others
    .filter((o) => o.value !== 0 && Math.abs(o.value - value) <= reach)
    .sort((a, b) => Math.abs(a.value - value) - Math.abs(b.value - value))[0];
  if (nearest) return { value: nearest.value, words: `as ${nearest.label.toLowerCase()}` };
  const round = Math.round(value / ANGLES) * ANGLES;
  return unit === 'deg' && Math.abs(round - value) <= NEAR_VALUE ? { value: round, words: '' } : undefined;
}
