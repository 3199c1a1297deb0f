import type { Body, MeasureKey } from '../body';
import type { Known, Picture } from '../picture';

/** How far a measure is likely to be off, as a share: with the tape, and estimated from another. From memory. */
const TAPE_SHARE = 0.01;
const ESTIMATE_SHARE = 0.05;
/** A typed length is trusted to this, and to half a millimetre. From memory. */
const TYPED_SHARE = 0.005;

/** How long the known length of a picture is on this wearer, and how sure that is; undefined where none is marked. */
export function knownLength({ known }: Picture, body: Body): Known | undefined {
  if (!known) return undefined;
  if (known.measure === undefined)
    return { lengthMm: known.lengthMm, likelyMm: Math.max(0.5, known.lengthMm * TYPED_SHARE) };
  const { valueMm, source } = body[known.measure as MeasureKey];
  return { lengthMm: valueMm, likelyMm: valueMm * (source === 'estimate' ? ESTIMATE_SHARE : TAPE_SHARE) };
}
