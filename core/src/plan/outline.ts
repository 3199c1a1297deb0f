import type { PartReport } from '../parts';
import { outlineLength } from '../geometry';
import { eachOf } from '../panel';

/** Outlines already measured; a part that does not change keeps its report. */
const known = new WeakMap<PartReport, number>();

/** Metres of outline of all copies of a part. */
export function outlineM(part: PartReport): number {
  let metres = known.get(part);
  if (metres === undefined) {
    const mm = part.pieces.reduce((sum, p) => sum + outlineLength(p.outline) * eachOf(p), 0);
    known.set(part, (metres = (mm * part.copies) / 1000));
  }
  return metres;
}
