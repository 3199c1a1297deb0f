import { newtonsOf } from '../../units';

/** Walking and setting down pull harder than hanging still; from memory. */
export const JOLT = 2.5;
/** A screw is trusted with a fifth of what pulls it out (Wood Handbook, FPL-GTR-190, chapter 8, from memory). */
const SAFETY = 5;
/** Screws of a keyhole plate, the distance from its upper to its lower ones, and how thick it is, mm; from memory. */
export const PLATE = { screws: 2, highMm: 30, wideMm: 16, longMm: 45, thickMm: 2 };

/**
 * What pulls a wood screw straight out of its hole, newton: 108.25·G²·D·L with the specific gravity of the wood and the
 * diameter and length of thread in it in mm (Wood Handbook, FPL-GTR-190, equation 8-4 in metric; from memory). Foamed PVC
 * of the same density holds about as well, and is pre-drilled as hardwood is; from memory.
 */
export const withdrawalN = (densityKgM3: number, diameterMm: number, threadMm: number): number =>
  108.25 * (densityKgM3 / 1000) ** 2 * diameterMm * threadMm;

/** A load on keyhole plates: its weight, so far before the face, on so many plates. */
export interface Hung {
  massG: number;
  armMm: number;
  plates: number;
}

/** What pulls at the upper screw of each plate, by the lever about its lower end, jolts included; newton. */
export const pullN = ({ massG, armMm, plates }: Hung): number =>
  (newtonsOf(massG) * JOLT * (armMm / PLATE.highMm)) / plates;

/** What one plate's upper screw is trusted with; newton. */
export const trustedN = (densityKgM3: number, diameterMm: number, threadMm: number): number =>
  withdrawalN(densityKgM3, diameterMm, threadMm) / SAFETY;
