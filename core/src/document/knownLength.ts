import { type Body, CROWN, FLOOR, landmarks, type MeasureKey } from '../body';
import { type Known, type Picture, type Standing, standingBy } from '../picture';

/** How far a measure is likely to be off, as a share: with the tape, and estimated from another. From memory. */
const TAPE_SHARE = 0.01;
const ESTIMATE_SHARE = 0.05;
/** A typed length is trusted to this, and to half a millimetre. From memory. */
const TYPED_SHARE = 0.005;

/** The wearer standing in a picture by everything that is marked of them; undefined where only crown and floor are. */
export function standingIn({ known }: Picture, body: Body): Standing | undefined {
  if (known?.measure !== 'stature' || !known.figure || known.figure.length === 0) return undefined;
  const marks = [{ name: CROWN, at: known.from }, ...known.figure, { name: FLOOR, at: known.to }];
  return standingBy(marks, landmarks(body));
}

/** How long the known length of a picture is on this wearer, and how sure that is; undefined where none is marked. */
export function knownLength(picture: Picture, body: Body): Known | undefined {
  const { known } = picture;
  if (!known) return undefined;
  if (known.measure === undefined)
    return { lengthMm: known.lengthMm, likelyMm: Math.max(0.5, known.lengthMm * TYPED_SHARE) };
  const { valueMm, source } = body[known.measure as MeasureKey];
  const share = source === 'estimate' ? ESTIMATE_SHARE : TAPE_SHARE;
  const standing = standingIn(picture, body);
  return {
    lengthMm: valueMm,
    likelyMm: valueMm * Math.hypot(share, standing?.likelyShare ?? 0),
    ...(standing && { ends: { from: standing.crown, to: standing.floor } }),
  };
}
