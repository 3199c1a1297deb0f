import type { Vec2 } from '../geometry';

/** A paper wrap round a pipe, laid on what is kept of it: its lower edge is the line to cut along, its upper edge is straight. */
export interface Wrap {
  /** Round the pipe, from the seam. */
  girthMm: number;
  /** Points of the cut from one end of the wrap to the other; y rises towards the end that is kept. */
  line: Vec2[];
  /** Along the pipe, from where the axes meet to the line's lowest point; below nothing when it lies beyond. */
  tipMm: number;
}

const STEPS = 96;

const wrapOf = (outsideMm: number, tipMm: number, at: (turn: number) => number): Wrap => {
  const girthMm = Math.PI * outsideMm;
  return {
    girthMm,
    tipMm,
    line: Array.from({ length: STEPS + 1 }, (_, i) => ({
      x: (girthMm * i) / STEPS,
      y: at((2 * Math.PI * i) / STEPS),
    })),
  };
};

/**
 * A mitre: the pipe's outside developed where a plane cuts it, y = (D/2)·tan α·(1 − cos(2s/D)) (development of an
 * obliquely cut cylinder, sheet-metal pattern tables).
 * @param angleDeg the cut off square; half of the turn two mitred pipes make together.
 */
export const mitreWrap = (outsideMm: number, angleDeg: number): Wrap => {
  const half = (outsideMm / 2) * Math.tan((angleDeg * Math.PI) / 180);
  return wrapOf(outsideMm, -half, (turn) => half * (1 - Math.cos(turn)));
};

/**
 * A saddle: where the end of one pipe meets the side of another. The inner edge of the wall touches first when the
 * branch is thick, so the line is the deeper of those of its outside and its bore.
 * @param angleDeg between the two axes; 90 stands square.
 * @returns nothing when the branch is wider than the pipe it sits on.
 */
export function saddleWrap(
  branch: { outsideMm: number; boreMm: number },
  mainOutsideMm: number,
  angleDeg = 90,
): Wrap | undefined {
  const R = mainOutsideMm / 2;
  if (branch.outsideMm / 2 > R) return undefined;
  const lean = (angleDeg * Math.PI) / 180;
  // Along the branch's axis from where it meets the main's: the main's skin under a point of the branch's wall.
  const reach = (r: number, turn: number): number =>
    Math.sqrt(R * R - (r * Math.sin(turn)) ** 2) / Math.sin(lean) + (r * Math.cos(turn)) / Math.tan(lean);
  const at = (turn: number): number =>
    Math.max(reach(branch.outsideMm / 2, turn), reach(branch.boreMm / 2, turn));
  const least = Math.min(...Array.from({ length: STEPS }, (_, i) => at((2 * Math.PI * i) / STEPS)));
  return wrapOf(branch.outsideMm, least, (turn) => at(turn) - least);
}

/** Holes in a line along a pipe, as places on its wrap. */
export const holeLine = (startMm: number, endMm: number, pitchMm: number): number[] =>
  Array.from(
    { length: Math.max(0, Math.floor((endMm - startMm) / pitchMm + 1e-9)) + 1 },
    (_, i) => startMm + i * pitchMm,
  );

/** A sleeve of foam round a pipe, cut so that it closes: π(D + 2kt) (parallel curve: Steiner). */
export const sleeveMm = (outsideMm: number, thicknessMm: number, neutralFraction: number): number =>
  Math.PI * (outsideMm + 2 * neutralFraction * thicknessMm);
