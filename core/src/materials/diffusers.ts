import { byId } from '../units';
import type { Provenance } from '../units';

/** A sheet that light goes through: what share passes, and how far it is spread sideways within it. */
export interface Diffuser {
  id: string;
  name: string;
  /** The sheet it is cut from; nothing for what is not sold as one here, such as paper. */
  sheet?: { foamId: string; nominalMm: number };
  thicknessMm: number;
  transmission: number;
  spreadMm: number;
  /** How a window of it looks while nothing is lit behind it. */
  off: { words: string; colour: string };
  /** It takes colours out of the light: the share of red, green and blue that is left, over what all lose. */
  tint?: [red: number, green: number, blue: number];
  /** Soft enough to be bored up into from the lamps. */
  boreable?: true;
  provenance: Provenance;
}

/** Transmission and spread are typical, from memory; hold a strip over a lamp and see. */
export const diffusers: readonly Diffuser[] = [
  {
    id: 'pe-3',
    name: '3 mm white polyethylene foam',
    sheet: { foamId: 'pe-white', nominalMm: 3 },
    thicknessMm: 3,
    transmission: 0.5,
    spreadMm: 4,
    off: { words: 'white', colour: '#f1f0ea' },
    provenance: 'memory',
  },
  {
    id: 'pe-5',
    name: '5 mm white polyethylene foam',
    sheet: { foamId: 'pe-white', nominalMm: 5 },
    thicknessMm: 5,
    transmission: 0.36,
    spreadMm: 7,
    off: { words: 'white', colour: '#f1f0ea' },
    boreable: true,
    provenance: 'memory',
  },
  {
    id: 'acrylic-frosted',
    name: '2 mm frosted acrylic',
    sheet: { foamId: 'acrylic-frosted', nominalMm: 2 },
    thicknessMm: 2,
    transmission: 0.82,
    spreadMm: 2,
    off: { words: 'frosted, milky', colour: '#dfe6e6' },
    provenance: 'memory',
  },
  {
    id: 'acrylic-sanded',
    name: '2 mm clear acrylic, sanded',
    sheet: { foamId: 'acrylic-clear', nominalMm: 2 },
    thicknessMm: 2,
    transmission: 0.88,
    spreadMm: 1.5,
    off: { words: 'misty grey', colour: '#c9d2d3' },
    provenance: 'memory',
  },
  {
    id: 'packing',
    name: '2 mm packing foam',
    thicknessMm: 2,
    transmission: 0.7,
    spreadMm: 2,
    off: { words: 'white, the lamps as shadows', colour: '#e9ebe8' },
    provenance: 'memory',
  },
  {
    id: 'carpet',
    name: '6 mm carpet underlay foam',
    thicknessMm: 6,
    transmission: 0.22,
    spreadMm: 9,
    off: { words: 'grey', colour: '#b9b6ae' },
    boreable: true,
    provenance: 'memory',
  },
  {
    id: 'upholstery',
    name: '10 mm upholstery foam',
    thicknessMm: 10,
    transmission: 0.3,
    spreadMm: 12,
    off: { words: 'cream', colour: '#efe3c4' },
    boreable: true,
    provenance: 'memory',
  },
  {
    id: 'tinted',
    name: '2 mm tinted plastic',
    thicknessMm: 2,
    transmission: 0.35,
    spreadMm: 0.5,
    off: { words: 'nearly black', colour: '#2b2a31' },
    provenance: 'memory',
  },
  {
    id: 'gel',
    name: 'colour gel',
    thicknessMm: 0.1,
    transmission: 0.45,
    spreadMm: 0.1,
    off: { words: 'the gel’s own red', colour: '#9d3b35' },
    tint: [1, 0.35, 0.3],
    provenance: 'memory',
  },
  {
    id: 'paper',
    name: 'tracing paper',
    thicknessMm: 0.1,
    transmission: 0.65,
    spreadMm: 1,
    off: { words: 'white, thin', colour: '#f4f2e8' },
    provenance: 'memory',
  },
];

/** Foams and sheets that light goes through at any thickness, by the diffuser that is measured. */
const seeThrough: Record<string, string> = {
  'pe-white': 'pe-3',
  upholstery: 'upholstery',
  'acrylic-frosted': 'acrylic-frosted',
};

/**
 * What a foam lets through at a thickness: of a diffuser's share τ at its own thickness, τ to the power of how many times
 * as thick it is (Lambert and Bouguer), spread as the root of that. Nothing for what is opaque.
 */
export function throughFoam(
  foamId: string,
  thicknessMm: number,
): { transmission: number; spreadMm: number } | undefined {
  const own = byId(diffusers, seeThrough[foamId]);
  if (!own) return undefined;
  const times = thicknessMm / own.thicknessMm;
  return { transmission: own.transmission ** times, spreadMm: own.spreadMm * Math.sqrt(times) };
}

/** Clear acrylic of any thickness: its two faces each give back 3.9 % (Fresnel, refractive index 1.49), (1 − R)/(1 + R). */
export const clearAcrylic = { transmission: 0.925, spreadMm: 0 } as const;

/** What any sheet lets through: foam by its thickness, and clear acrylic, which spreads nothing. Nothing for what is opaque. */
export const throughSheet = (
  foamId: string,
  thicknessMm: number,
): { transmission: number; spreadMm: number } | undefined =>
  foamId === 'acrylic-clear' ? clearAcrylic : throughFoam(foamId, thicknessMm);

/** Less of the light than this is hardly seen in a lit room; from memory. */
export const SEEN_SHARE = 0.08;

/** What paint over a wall lets through and how far it spreads it; from memory. */
export const coats = {
  bare: { name: 'not painted', transmission: 1, spreadMm: 0 },
  thin: { name: 'one thin white coat', transmission: 0.5, spreadMm: 1 },
  opaque: { name: 'painted over', transmission: 0, spreadMm: 0 },
} as const;

/** Least thickness left over a bore, mm: less shows as a spot; from memory. */
export const LEAST_OVER_BORE_MM = 2;

/** What side walls give back, and how much of that they scatter; from memory. */
export const walls = {
  plain: { name: 'plain foam', reflectance: 0.35, diffuse: 1 },
  white: { name: 'white paint', reflectance: 0.75, diffuse: 0.95 },
  foil: { name: 'foil', reflectance: 0.85, diffuse: 0.1 },
} as const;

/** How narrowly lamps shine: power of the cosine, from memory. */
export const lobes = { clear: 12, diffused: 3, 'flat-top': 1 } as const;
