import { newtonsOf } from '../../units';
import { JOLT } from '../laying/screws';

/** Screws of a keyhole plate, the distance from its upper to its lower ones, and how thick it is, mm; from memory. */
export const PLATE = { screws: 2, highMm: 30, wideMm: 16, longMm: 45, thickMm: 2 };

/** A load on keyhole plates: its weight, so far before the face, on so many plates. */
export interface Hung {
  massG: number;
  armMm: number;
  plates: number;
}

/** What pulls at the upper screw of each plate, by the lever about its lower end, jolts included; newton. */
export const pullN = ({ massG, armMm, plates }: Hung): number =>
  (newtonsOf(massG) * JOLT * (armMm / PLATE.highMm)) / plates;
