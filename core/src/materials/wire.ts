/** Resistivity of annealed copper at 20 °C, Ω·m (IEC 60028). */
const COPPER_OHM_M = 1.7241e-8;

/** Diameter of a solid conductor of an American gauge: 0.127 · 92^((36 − n)/39) mm (ASTM B258). */
export const gaugeMm = (awg: number): number => 0.127 * 92 ** ((36 - awg) / 39);

/** Resistance of a metre of one conductor. */
export const gaugeOhmPerM = (awg: number): number =>
  COPPER_OHM_M / ((Math.PI / 4) * (gaugeMm(awg) / 1000) ** 2);

/** Gauges makers wire props with, and what each carries in a bundle without growing warm; amperes, from memory. */
export const gauges = [
  { awg: 20, maxA: 5 },
  { awg: 22, maxA: 3 },
  { awg: 24, maxA: 2 },
  { awg: 26, maxA: 1.3 },
  { awg: 28, maxA: 0.8 },
  { awg: 30, maxA: 0.5 },
] as const;

export type Gauge = (typeof gauges)[number]['awg'];

/** Copper, and the sleeve round a hook-up wire, from memory. */
const COPPER_G_MM3 = 8.96e-3;
const SLEEVE_G_PER_M = 2;

/** Mass of a metre of one conductor with its sleeve. */
export const gaugeGPerM = (awg: number): number =>
  1000 * COPPER_G_MM3 * (Math.PI / 4) * gaugeMm(awg) ** 2 + SLEEVE_G_PER_M;

/** What is taken when nothing else is said. */
export const startGauge: Gauge = 24;
