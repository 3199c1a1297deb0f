import { measureInfo, type MeasureKey } from '../body/measures';
import type { Zone } from '../forms/contract';
import { isPaired } from '../forms/partForm';
import { printMm } from '../units/length';
import { setPart, when, type PartRule } from './rule';

/** Girths that decide a pair of each zone. */
const decisive: Partial<Record<Zone, MeasureKey[]>> = {
  forearm: ['wristGirth', 'forearmGirth', 'elbowGirth'],
  upperArm: ['upperArmGirth'],
  elbow: ['elbowBentGirth'],
  shoulder: ['upperArmGirth'],
  thigh: ['thighGirth', 'kneeGirth'],
  knee: ['kneeGirth'],
  lowerLeg: ['calfGirth', 'ankleGirth'],
};

/** Sides further apart than this want a pattern each; mm, from memory. */
const APART_MM = 8;

/** A mirrored pair for limbs that differ. */
export const pairFitsBoth: PartRule = (context) => {
  const { part, made, report } = context;
  const apart = (decisive[made.zone] ?? [])
    .map((key) => ({ key, mm: Math.abs(report.sides.left[key].valueMm - report.sides.right[key].valueMm) }))
    .reduce((a, b) => (b.mm > a.mm ? b : a), { key: 'wristGirth' as MeasureKey, mm: 0 });
  return when(part.sides === 'pair' && isPaired(part) && apart.mm > APART_MM, () => ({
    id: `sides:${part.id}`,
    severity: 'mind',
    station: 'body',
    title: `${part.name}: left and right differ by ${printMm(apart.mm, 0)} in ${measureInfo(apart.key).label.toLowerCase()}; the pair is cut to the larger.`,
    why: 'One flipped pattern serves both sides only when they are alike. Make this one the left, copy it, and make the copy the right.',
    sure: 'memory',
    partId: part.id,
    remedies: [{ label: 'Make this one the left', changes: [setPart(context, ['sides'], 'left')] }],
  }));
};
