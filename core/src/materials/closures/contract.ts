import type { Picture } from '../../thumbnail';
import type { Provenance } from '../../units';

/** Strap, lace or elastic to cut: where it goes, how many, how long and how much of it overlaps. */
export interface Run {
  where: string;
  count: number;
  lengthMm: number;
  overlapMm: number;
}

/** A kind of closure: how a gap is shut. Ranges of gap are common practice, no source; masses, prices and times are from memory. */
export interface Closure {
  name: string;
  /** The gap and what shuts it, seen from outside. */
  picture: Picture;
  /** What it makes of the two edges: glued to each other, or a gap that can be opened. */
  joint: 'seam' | 'closure';
  /** Whether shells, plates and belts may be shut with it. */
  shutsGaps: boolean;
  minGapMm: number;
  maxGapMm: number;
  /** For each metre, and for the ends of each one. */
  perMG: number;
  eachG: number;
  perMPrice: number;
  eachPrice: number;
  eachMin: number;
  /** What is bought by the metre. */
  stuff: string;
  /** How wide it lies on what it holds; absent of laces and of what is none. */
  wideMm?: number;
  provenance: Provenance;
  /** What shuts one gap as long as its edges, whose width is known at shares of that length. */
  across: (edgeMm: number, gapMm: (share: number) => number) => Run[];
  /** Between two plates, on each side. */
  between: Omit<Run, 'lengthMm'>;
  /** How long one is between plates so high and so far apart, drawn with so much overlap. */
  betweenMm: (heightMm: number, gapMm: number, overlapMm: number) => number;
}
