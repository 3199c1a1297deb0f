import { type LampColour, type SteadyLoad, strip12V, strip5V } from '../../materials';
import type { Bought } from '../contract';

/** The two kinds of light strip: one colour in segments, or every lamp by itself from a controller. */
export type StripType = '12v' | '5v';

/** The strip as it is sold, and from mark to mark of it, mm. */
export const stripOf = (type: StripType) => (type === '5v' ? strip5V : strip12V);
export const stripStepMm = (type: StripType): number =>
  type === '5v' ? strip5V.pitchMm : strip12V.segmentMm;

/** From lamp to lamp along it, mm. */
export const lampPitchMm = (type: StripType): number =>
  type === '5v' ? strip5V.pitchMm : strip12V.segmentMm / strip12V.perSegment;

/** What so many lamps or segments of it draw; addressable ones at a share of full white. */
export function stripLoad(
  type: StripType,
  name: string,
  parts: number,
  colour: LampColour,
  bright: number,
): SteadyLoad {
  if (type === '12v') {
    const { perSegment, ratedV, ratedA, traceOhm } = strip12V;
    return { kind: 'segments', name, colour, segments: parts, perSegment, ratedV, ratedA, traceOhm };
  }
  return {
    kind: 'digital',
    name,
    lamps: parts,
    amps: parts * (strip5V.darkA + strip5V.fullA * bright),
    restA: parts * strip5V.darkA,
    leastV: strip5V.leastV,
    ratedV: strip5V.ratedV,
  };
}

/** A length of strip; sold by the tenth of a metre. */
export const stripBought = (type: StripType, lengthMm: number): Bought[] => [
  {
    what: type === '5v' ? 'addressable 5 V strip' : '12 V light strip',
    unit: 'metres',
    count: Math.ceil(lengthMm / 100) / 10,
    each: stripOf(type).pricePerM,
    massG: 0,
    provenance: stripOf(type).provenance,
  },
];

/** Mass of a length of it. */
export const stripG = (type: StripType, lengthMm: number): number => (stripOf(type).gPerM * lengthMm) / 1000;
