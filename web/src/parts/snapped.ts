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
