/** A clear sheet lit at an edge, whose face is engraved all over to the same share. */
export interface EdgeLit {
  /** From the lit edge to the far one. */
  lengthMm: number;
  thicknessMm: number;
  /** Share of the face that is engraved, 0 to 1. */
  engraved: number;
  /** What the far edge gives back of what reaches it; 1 when it is lit as well. */
  farReturns: number;
}

/** Refractive index of acrylic. Source: ISO 489 values for PMMA, 1.49 (from memory). */
const INDEX = 1.49;
/** Of the light that meets an engraved spot, the share that leaves the sheet there; from memory. */
const LEAVES = 0.5;
/** Rays over the cone that an edge lets in, and spots along the sheet. */
const RAYS = 48;
const SPOTS = 96;

/** How even an edge-lit sheet is, and what becomes of its light. */
export interface EdgeGlow {
  /** Darkest spot against the mean, as of a lit face. */
  evenness: number;
  /** Of the light that goes in, the share that comes out of the face. */
  out: number;
  /** Brightness from the lit edge to the far one, its mean 1. */
  along: number[];
  /** Share of the face that is still looked through. */
  clear: number;
}

/**
 * Light goes in by the edge as a Lambertian source gives it: the sine of its angle in air is spread evenly, within the
 * sheet it is 1/n of that (Snell), and a ray meets the engraved face every 2t/tan θ. There half of
 * the engraved share of it leaves. What each ray sheds along the sheet, summed over the cone, is what is seen. A far
 * edge that is lit as well is a mirror: as much comes back from it as goes in here.
 */
export function edgeGlow({ lengthMm, thicknessMm, engraved, farReturns }: EdgeLit): EdgeGlow {
  const along = new Array<number>(SPOTS).fill(0);
  let out = 0;
  for (let k = 0; k < RAYS; k++) {
    const sine = (k + 0.5) / RAYS / INDEX;
    const hitsPerMm = sine / Math.sqrt(1 - sine * sine) / (2 * thicknessMm);
    const taken = Math.min(0.999, engraved * LEAVES);
    // The first hit is anywhere within a stride; so many hits lie before a length, and one more for a share of the rays.
    const left = (mm: number): number => {
      const hits = mm * hitsPerMm;
      const whole = Math.floor(hits);
      return (1 - taken) ** whole * (1 - (hits - whole) * taken);
    };
    const shed = (mm: number): number => hitsPerMm * taken * (1 - taken) ** Math.floor(mm * hitsPerMm);
    for (let i = 0; i < SPOTS; i++) {
      const x = ((i + 0.5) / SPOTS) * lengthMm;
      along[i]! += shed(x) + farReturns * shed(2 * lengthMm - x);
    }
    out += 1 - left(lengthMm) + farReturns * (left(lengthMm) - left(2 * lengthMm));
  }
  const mean = along.reduce((s, v) => s + v, 0) / SPOTS;
  return {
    evenness: mean > 0 ? Math.min(...along) / mean : 0,
    out: out / RAYS,
    along: along.map((v) => (mean > 0 ? v / mean : 0)),
    clear: 1 - engraved,
  };
}

/** The largest share that can be engraved and still glow as evenly as asked, in whole hundredths; 0 when none can. */
export function mostEngraved(sheet: Omit<EdgeLit, 'engraved'>, evenness: number): number {
  let best = 0;
  for (let pct = 1; pct <= 60; pct++)
    if (edgeGlow({ ...sheet, engraved: pct / 100 }).evenness >= evenness) best = pct / 100;
  return best;
}
