/** Thermal voltage kT/q at 27 °C, volts (CODATA k and q). */
export const THERMAL_V = (1.380649e-23 * 300.15) / 1.602176634e-19;

/** A junction's law: v = n·Vt·ln(1 + I/Is) + I·Rs (Shockley, 1949, with series resistance). */
export interface Junction {
  saturationA: number;
  /** Emission coefficient by the thermal voltage, volts. */
  slopeV: number;
  seriesOhm: number;
  /** Its forward voltage rises by so much for every kelvin colder. */
  voltsPerK: number;
}

/** Indicator LEDs: emission coefficient, and series resistance by colour; typical, from memory. */
const EMISSION = 2;
const seriesOhm = (forwardV: number): number => (forwardV < 2.6 ? 8 : 14);

/** Forward voltage by kelvin, V: 2 mV of red and amber, 3 mV of green, blue and white; typical of data sheets, from memory. */
const voltsPerK = (forwardV: number): number => (forwardV < 2.6 ? 0.002 : 0.003);

/** The junction of an LED whose curve runs through its rated point. */
export function junctionOf({ forwardV, ratedA }: { forwardV: number; ratedA: number }): Junction {
  const slopeV = EMISSION * THERMAL_V;
  const ohm = seriesOhm(forwardV);
  return {
    saturationA: ratedA / Math.expm1((forwardV - ratedA * ohm) / slopeV),
    slopeV,
    seriesOhm: ohm,
    voltsPerK: voltsPerK(forwardV),
  };
}

/** Volts of a junction at a current. */
export const junctionVolts = (
  { saturationA, slopeV, seriesOhm: r }: Omit<Junction, 'voltsPerK'>,
  amps: number,
): number => slopeV * Math.log1p(amps / saturationA) + amps * r;
