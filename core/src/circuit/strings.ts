import { fail, ok, type Result, trimNumber } from '../units';
import { nextE24 } from './e24';

/** Lamps of one colour that share a setting. */
export interface LampGroup {
  label: string;
  count: number;
  forwardV: number;
  currentA: number;
}

/** Lamps in series behind one resistor. */
export interface LedString {
  group: string;
  lamps: number;
  forwardV: number;
  idealOhm: number;
  ohm: number;
  currentA: number;
  resistorW: number;
}

export interface Strings {
  supplyV: number;
  strings: LedString[];
  totalA: number;
}

/** Share of the supply left to the resistor so that a sagging pack does not put the lamps out; from memory. */
const HEADROOM = 0.15;

/** Quarter-watt resistors are what makers own; half their rating is the limit (common practice, no source). */
export const resistorRatedW = 0.25;

/** R = (V − ΣVf) / I, then the next E24 value up and what it really passes. */
function makeString(group: LampGroup, lamps: number, supplyV: number): LedString {
  const forwardV = lamps * group.forwardV;
  const idealOhm = (supplyV - forwardV) / group.currentA;
  const ohm = nextE24(idealOhm);
  const currentA = (supplyV - forwardV) / ohm;
  return {
    group: group.label,
    lamps,
    forwardV,
    idealOhm,
    ohm,
    currentA,
    resistorW: currentA * currentA * ohm,
  };
}

/**
 * Splits every group into equal series strings, as long as the supply allows with headroom.
 * @returns the circuit, or the arithmetic that shows why one lamp alone cannot light.
 */
export function solveCircuit(supplyV: number, groups: readonly LampGroup[]): Result<Strings> {
  const strings: LedString[] = [];
  for (const group of groups) {
    const most = Math.floor((supplyV * (1 - HEADROOM)) / group.forwardV);
    if (most < 1) {
      const short = `${trimNumber(supplyV, 2)} V − ${trimNumber(group.forwardV, 2)} V = ${trimNumber(supplyV - group.forwardV, 2)} V`;
      const keep = trimNumber(supplyV * HEADROOM, 2);
      return fail(
        `One ${group.label} lamp leaves ${short} for its resistor; at least ${keep} V must remain as the cells sag.`,
      );
    }
    const count = Math.ceil(group.count / Math.min(most, group.count));
    for (let i = 0; i < count; i++) {
      const lamps = Math.floor(group.count / count) + (i < group.count % count ? 1 : 0);
      strings.push(makeString(group, lamps, supplyV));
    }
  }
  return ok({ supplyV, strings, totalA: strings.reduce((sum, s) => sum + s.currentA, 0) });
}
