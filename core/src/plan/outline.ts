import type { PartReport } from '../build/report';
import { pathLength } from '../geometry/path';

/** Metres of outline of all copies of a part. */
export const outlineM = (part: PartReport): number =>
  (part.pieces.reduce((sum, p) => sum + pathLength({ vertices: p.outline, closed: true }), 0) * part.copies) /
  1000;
