/** How a strip is wound round a grip: so many turns, so long a strip. */
export interface Wound {
  turns: number;
  lengthMm: number;
}

/** A finger's length to tuck in at either end, mm; common practice, no source. */
const TUCK_MM = 60;

/**
 * A strip wound side by side, each turn over a share of the one before. Each turn is a helix: its length is that of the
 * slant over one girth and one pitch.
 */
export function wound(girthMm: number, lengthMm: number, stripMm: number, overlap: number): Wound {
  const pitch = stripMm * (1 - overlap);
  const turns = lengthMm / pitch;
  return { turns, lengthMm: turns * Math.hypot(girthMm, pitch) + 2 * TUCK_MM };
}
