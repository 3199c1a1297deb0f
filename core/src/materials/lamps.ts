import type { Provenance } from '../units';

export type LampColour = 'red' | 'amber' | 'green' | 'blue' | 'white';

export interface Led {
  colour: LampColour;
  forwardV: number;
  /** How bright it looks beside a white one of the same current; from memory. */
  bright: number;
  provenance: Provenance;
}

/** Forward voltage at 20 mA, typical, from memory. */
export const leds: Record<LampColour, Led> = {
  red: { colour: 'red', forwardV: 2.0, bright: 0.5, provenance: 'memory' },
  amber: { colour: 'amber', forwardV: 2.1, bright: 0.5, provenance: 'memory' },
  green: { colour: 'green', forwardV: 3.2, bright: 0.9, provenance: 'memory' },
  blue: { colour: 'blue', forwardV: 3.2, bright: 0.25, provenance: 'memory' },
  white: { colour: 'white', forwardV: 3.2, bright: 1, provenance: 'memory' },
};

/** A through-hole LED body: the hole is the body diameter, the rim stops it (common practice, no source). */
export interface LedBody {
  bodyMm: number;
  rimMm: number;
  lengthMm: number;
  massG: number;
  price: number;
  /** Along its axis at 20 mA in white, and where it has fallen to half; typical of clear indicator lamps, from memory. */
  candela: number;
  halfDeg: number;
}

export const ledBodies: Record<'3mm' | '5mm' | '10mm' | 'flat' | 'surface', LedBody> = {
  '3mm': { bodyMm: 3, rimMm: 3.8, lengthMm: 5.3, massG: 0.2, price: 0.15, candela: 3, halfDeg: 15 },
  '5mm': { bodyMm: 5, rimMm: 5.8, lengthMm: 8.6, massG: 0.3, price: 0.2, candela: 6, halfDeg: 12 },
  '10mm': { bodyMm: 10, rimMm: 11, lengthMm: 13, massG: 1.1, price: 0.5, candela: 10, halfDeg: 10 },
  /** Flat-top: shorter, and it shines wide. */
  flat: { bodyMm: 5, rimMm: 5.8, lengthMm: 6.5, massG: 0.25, price: 0.25, candela: 1.2, halfDeg: 50 },
  /** Surface lamp on a scrap of board, let into the foam with its wires. */
  surface: { bodyMm: 4, rimMm: 6, lengthMm: 3, massG: 0.2, price: 0.3, candela: 1.5, halfDeg: 60 },
};

/** Continuous current an ordinary indicator LED stands, from memory. */
export const ledMaxA = 0.02;
