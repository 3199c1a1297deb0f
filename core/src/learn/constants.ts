import { itemAt } from '../units';
import type { Quantity, Reading } from './quantities';

/** A factor on what is planned: the stated default is 1; with readings it is the shop's own. */
export interface Constant {
  factor: number;
  /** Nine of ten next readings are expected between these. */
  low: number;
  high: number;
  readings: number;
}

/** How far shops differ from the stated default, and readings of one shop from each other, as standard deviations of the logarithm; from memory. */
const SHOPS = 0.35;
export const READING_SPREAD = 0.25;
const SPREAD = READING_SPREAD;
/** A reading further off than so many spreads pulls no harder than one at that distance (Huber, 1964). */
const ODD = 1.5;
/** Nine of ten of a normal distribution. */
const NINE_OF_TEN = 1.645;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = (sorted.length - 1) / 2;
  return (itemAt(sorted, Math.floor(middle)) + itemAt(sorted, Math.ceil(middle))) / 2;
};

/**
 * What a shop's readings of a quantity say, drawn towards the stated default: the normal mean with a normal prior on
 * the logarithm of actual over planned, (Σ w·r / σ²) / (1/τ² + Σ w / σ²); odd readings weigh less.
 */
export function constantOf(readings: readonly Reading[], quantity: Quantity): Constant {
  const logs = readings
    .filter((r) => r.quantity === quantity && r.planned > 0 && r.actual > 0)
    .map((r) => Math.log(r.actual / r.planned));
  const middle = logs.length > 0 ? median(logs) : 0;
  const weights = logs.map((l) => Math.min(1, (ODD * SPREAD) / Math.max(1e-9, Math.abs(l - middle))));
  const precision = 1 / SHOPS ** 2 + weights.reduce((sum, w) => sum + w, 0) / SPREAD ** 2;
  const mean = logs.reduce((sum, l, i) => sum + itemAt(weights, i) * l, 0) / SPREAD ** 2 / precision;
  const reach = NINE_OF_TEN * Math.sqrt(1 / precision + SPREAD ** 2);
  return {
    factor: Math.exp(mean),
    low: Math.exp(mean - reach),
    high: Math.exp(mean + reach),
    readings: logs.length,
  };
}
