/** Inputs of one bend: foam thickness, radius of its inner face, neutral fraction k from that face. */
export interface Bend {
  thicknessMm: number;
  insideRadiusMm: number;
  neutralFraction: number;
}

/**
 * Strain of the outer face of bent foam: ε = (1−k)·t / (R + k·t).
 * Source: bend-allowance relation of sheet-metal handbooks.
 */
export function bendStrain({ thicknessMm, insideRadiusMm, neutralFraction }: Bend): number {
  return ((1 - neutralFraction) * thicknessMm) / (insideRadiusMm + neutralFraction * thicknessMm);
}

export type StrainClass = 'cold' | 'heat' | 'grooved' | 'laminate';

/** Limits from memory: cold to about 5 %, heat-formed to about 15 %, grooved to 30 %, thinner layers beyond. */
export const strainLimits: Record<Exclude<StrainClass, 'laminate'>, number> = {
  cold: 0.05,
  heat: 0.15,
  grooved: 0.3,
};

export const strainClassName: Record<StrainClass, string> = {
  cold: 'bends cold',
  heat: 'heat and hold',
  grooved: 'groove the back',
  laminate: 'use thinner layers',
};

export function strainClass(strain: number): StrainClass {
  if (strain <= strainLimits.cold) return 'cold';
  if (strain <= strainLimits.heat) return 'heat';
  return strain <= strainLimits.grooved ? 'grooved' : 'laminate';
}

/**
 * Ring test: a strip of known length butted into a ring. k = (L/π − d) / 2t from its inside diameter d.
 * May fall outside 0…1 when a reading is wrong; the caller checks.
 */
export const ringTestNeutralFraction = (
  stripMm: number,
  insideDiameterMm: number,
  thicknessMm: number,
): number => (stripMm / Math.PI - insideDiameterMm) / (2 * thicknessMm);
