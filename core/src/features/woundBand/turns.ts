/** A band that is wound round a tube or cone, edge over edge. */
export interface Band {
  /** Girths of the ends it runs between, and how far they are apart along the wall; mm. */
  startMm: number;
  endMm: number;
  slantMm: number;
  /** Square across the band, and how much of it lies over the turn before. */
  widthMm: number;
  overlapMm: number;
}

export interface Winding {
  turns: number;
  lengthMm: number;
  /** Along the wall from turn to turn, at either end. */
  pitchMm: [number, number];
  /** How far off square its ends are cut, so that they lie level with the rims; degrees. */
  endDeg: [number, number];
}

/** Less of a turn than this shows, mm, and it is no band that is wound. */
const LEAST_SHOWN_MM = 1;

/** A turn is taken in so many steps, so that a cone’s girth may change under it. */
const STEPS = 48;

/**
 * A strip laid round at the angle at which each turn covers all but the overlap of the one before. Unrolled, a turn of girth
 * g is the long side of a right triangle whose short side is the pitch p; the strip, as wide as w − o square across, covers
 * p = (w − o)/cos α along the wall, with sin α = (w − o)/g (development of a helix, drawing handbooks).
 */
export function windingOf({ startMm, endMm, slantMm, widthMm, overlapMm }: Band): Winding | undefined {
  const shown = widthMm - overlapMm;
  const girthAt = (at: number): number => startMm + ((endMm - startMm) * at) / slantMm;
  if (shown < LEAST_SHOWN_MM || shown >= Math.min(startMm, endMm) || slantMm <= 0) return undefined;
  const sine = (at: number): number => shown / girthAt(at);
  const pitch = (at: number): number => shown / Math.sqrt(1 - sine(at) ** 2);
  let [at, turns, lengthMm] = [0, 0, 0];
  while (at < slantMm - 1e-9) {
    const part = Math.min(pitch(at) / STEPS, slantMm - at);
    turns += part / pitch(at + part / 2);
    // Along the strip: what it climbs over the sine of its angle.
    lengthMm += part / sine(at + part / 2);
    at += part;
  }
  const deg = (v: number): number => (Math.asin(sine(v)) * 180) / Math.PI;
  return {
    turns,
    lengthMm,
    pitchMm: [pitch(0), pitch(slantMm)],
    endDeg: [deg(0), deg(slantMm)],
  };
}
