import type { FoamSheet } from '../materials';

/** Grams of a flat area of foam: mm² × mm × kg/m³. */
export const foamMassG = (areaMm2: number, foam: FoamSheet): number =>
  areaMm2 * foam.thicknessMm.value * foam.densityKgM3.value * 1e-6;
