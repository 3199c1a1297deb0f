import type { Closure } from './contract';

/** Hook-and-loop that holds: 50 mm of overlap, and 30 mm glued at either end; common practice, no source. */
const OVERLAP_MM = 50;
const ANCHOR_MM = 30;
/** Edges shorter than this have one strap. */
const SHORT_MM = 80;

/** Straps at a third and at two thirds of an edge, one in the middle of a short one. */
export const strapped: Pick<Closure, 'joint' | 'across' | 'between' | 'betweenMm'> = {
  joint: 'closure',
  across: (edgeMm, gapMm) => {
    const shares: [number, string][] =
      edgeMm < SHORT_MM
        ? [[0.5, 'the middle']]
        : [
            [1 / 3, 'a third up'],
            [2 / 3, 'two thirds up'],
          ];
    return shares.map(([share, words]) => ({
      where: `${words} (${Math.round((edgeMm * share) / 5) * 5} mm)`,
      count: 1,
      lengthMm: gapMm(share) + OVERLAP_MM + 2 * ANCHOR_MM,
      overlapMm: OVERLAP_MM,
    }));
  },
  between: {
    where: 'at each side, 40 mm above the lower edge and under the arm',
    count: 4,
    overlapMm: OVERLAP_MM,
  },
  betweenMm: (_, gapMm, overlapMm) => gapMm + overlapMm + 2 * ANCHOR_MM,
};
