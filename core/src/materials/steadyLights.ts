import type { LampColour } from './lamps';
import type { Provenance } from '../units';

/** Light that comes with its own resistors or its own driver: it draws what it draws. */
export type SteadyLoad =
  /** Segments side by side along a strip, each of LEDs in series with a resistor; both copper traces resist. */
  | {
      kind: 'segments';
      name: string;
      colour: LampColour;
      segments: number;
      perSegment: number;
      ratedV: number;
      ratedA: number;
      traceOhm: number;
    }
  /** Addressable lamps: the current at their brightest, what of it they draw dark, and the least voltage they work at. */
  | {
      kind: 'digital';
      name: string;
      lamps: number;
      amps: number;
      restA: number;
      leastV: number;
      ratedV: number;
    }
  /** A bought board, lamp chain or speaker: what it was measured to draw at its voltage, and where it gives out. */
  | { kind: 'board'; name: string; amps: number; leastV: number; ratedV: number; lit: boolean };

/** A 12 V strip: cut every 50 mm, three LEDs a segment, 20 mA each; typical, from memory. */
export const strip12V = {
  segmentMm: 50,
  perSegment: 3,
  ratedV: 12,
  ratedA: 0.02,
  traceOhm: 0.03,
  widthMm: 8,
  thickMm: 3,
  gPerM: 15,
  pricePerM: 6,
  provenance: 'memory' as Provenance,
};

/** Addressable 5 V strip: a lamp every 16.7 mm, 60 mA at full white, 1 mA dark; typical, from memory. */
export const strip5V = {
  pitchMm: 1000 / 60,
  fullA: 0.06,
  darkA: 0.001,
  ratedV: 5,
  leastV: 3.7,
  widthMm: 10,
  thickMm: 3,
  gPerM: 20,
  pricePerM: 12,
  provenance: 'memory' as Provenance,
};

/** A microcontroller board that plays the effect; from memory. */
export const controller = {
  name: 'microcontroller board',
  amps: 0.02,
  price: 6,
  massG: 4,
  provenance: 'memory' as Provenance,
};

/** What a controller draws besides the lights it plays. */
export const controllerLoad: SteadyLoad = {
  kind: 'board',
  name: controller.name,
  amps: controller.amps,
  leastV: strip5V.leastV,
  ratedV: strip5V.ratedV,
  lit: false,
};

/** Addressable LED rings by how many lamps; outside in mm, from memory. */
export const rings = [
  { lamps: 8, acrossMm: 32, price: 4 },
  { lamps: 12, acrossMm: 37, price: 5 },
  { lamps: 16, acrossMm: 44.5, price: 6 },
  { lamps: 24, acrossMm: 66, price: 8 },
] as const;
