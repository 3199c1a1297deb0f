import { firstOf, lastOf, itemAt } from '../units';
import type { MeasureKey } from './measures';

/** Statures at which a measure is compared with an adult's, mm. */
const AT_MM = [900, 1100, 1300, 1500, 1620, 1760, 1950, 2200];

/**
 * How a measure differs from the share of stature it has in an adult of middling height: children have large heads,
 * thick necks and joints and slim trunks; very tall people's heads grow less than they do. Five-year-olds stand at
 * about 1100 mm, twelve-year-olds at 1500, where they meet short adults. Values of published growth and child
 * measurement surveys, from memory.
 */
const factors: Partial<Record<MeasureKey, number[]>> = {
  headGirth: [1.61, 1.38, 1.21, 1.07, 1.03, 0.98, 0.91, 0.83],
  headLength: [1.61, 1.38, 1.21, 1.07, 1.03, 0.98, 0.91, 0.83],
  headBreadth: [1.61, 1.38, 1.21, 1.07, 1.03, 0.98, 0.91, 0.83],
  headHeight: [1.53, 1.3, 1.17, 1.06, 1.02, 0.98, 0.92, 0.85],
  eyeDepth: [1.6, 1.36, 1.2, 1.07, 1.03, 0.98, 0.92, 0.85],
  noseOut: [1.05, 1, 0.97, 0.97, 1, 1, 0.98, 0.92],
  earDepth: [1.56, 1.33, 1.18, 1.06, 1.02, 0.98, 0.92, 0.85],
  earLength: [1.55, 1.36, 1.2, 1.07, 1.02, 0.98, 0.92, 0.85],
  neckGirth: [1.24, 1.11, 1.03, 0.99, 1, 1, 0.98, 0.93],
  shoulderBreadth: [1.02, 0.97, 0.95, 0.97, 1, 1, 1, 1],
  acrossChest: [0.95, 0.9, 0.89, 0.94, 1, 1, 1, 1],
  acrossBack: [0.95, 0.9, 0.89, 0.94, 1, 1, 1, 1],
  chestGirth: [0.95, 0.86, 0.83, 0.91, 1, 1, 1, 1],
  underBustGirth: [0.96, 0.88, 0.85, 0.92, 1, 1, 1, 1],
  waistGirth: [1, 0.91, 0.83, 0.9, 1, 1, 1, 1],
  hipGirth: [0.91, 0.89, 0.885, 0.94, 1, 1, 1, 1],
  upperArmGirth: [0.91, 0.81, 0.81, 0.9, 1, 1, 1, 1],
  elbowBentGirth: [0.97, 0.9, 0.88, 0.94, 1, 1, 1, 1],
  wristGirth: [1.25, 1.11, 1.02, 1, 1, 1, 1, 1],
  forearmGirth: [0.98, 0.91, 0.87, 0.93, 1, 1, 1, 1],
  elbowGirth: [1.06, 1, 0.95, 0.97, 1, 1, 1, 1],
  handGirth: [1.18, 1.12, 1.06, 1.02, 1, 1, 1, 1],
  handLength: [1.06, 1.03, 1, 1, 1, 1, 1, 1],
  insideLeg: [0.91, 0.95, 0.99, 1, 1, 1, 1, 1],
  thighGirth: [0.91, 0.84, 0.85, 0.93, 1, 1, 1, 1],
  kneeGirth: [1.01, 0.92, 0.9, 0.95, 1, 1, 1, 1],
  calfGirth: [1.01, 0.92, 0.9, 0.95, 1, 1, 1, 1],
  ankleGirth: [1.18, 1.1, 1.055, 1.02, 1, 1, 1, 1],
  footLength: [1.04, 1.03, 1.01, 1, 1, 1, 1, 1],
  heelGirth: [1.06, 1.03, 1.01, 1, 1, 1, 1, 1],
};

/** A measure at a stature over what an adult's share of that stature would be; 1 for adults of middling height. */
export function growth(key: MeasureKey, statureMm: number): number {
  const known = factors[key];
  if (!known) return 1;
  const i = AT_MM.findIndex((at) => at >= statureMm);
  if (i === 0) return firstOf(known);
  if (i < 0) return lastOf(known);
  const [low, high] = [itemAt(AT_MM, i - 1), itemAt(AT_MM, i)];
  return (
    itemAt(known, i - 1) + ((itemAt(known, i) - itemAt(known, i - 1)) * (statureMm - low)) / (high - low)
  );
}
