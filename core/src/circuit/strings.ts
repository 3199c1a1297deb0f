import { fail, ok, type Result, trimNumber } from '../units';
import { nextE24 } from './e24';
import { type Junction, junctionVolts, stringFlow } from './nodal';

/** Lamps of one colour that share a setting. */
export interface LampGroup {
  label: string;
  count: number;
  junction: Junction;
  /** Asked through each. */
  currentA: number;
  /** No more than so many in series. */
  most?: number;
}

/** Lamps in series behind one resistor. */
export interface LedString {
  group: string;
  lamps: number;
  junction: Junction;
  /** Of all its lamps at the current asked. */
  forwardV: number;
  idealOhm: number;
  ohm: number;
  currentA: number;
  resistorW: number;
}

/** What a supply gives: as it is named, and with fresh cells, which give most. */
export interface Supply {
  nominalV: number;
  freshV: number;
}

export interface Strings extends Supply {
  strings: LedString[];
  totalA: number;
}

/** Share of the supply left to the resistor so that a sagging pack does not put the lamps out; from memory. */
const HEADROOM = 0.15;

/** Quarter-watt resistors are what makers own; half their rating is the limit (common practice, no source). */
export const resistorRatedW = 0.25;

/** R = (V − ΣVf) / I with fresh cells, then the next E24 value up and what it passes at most: the lamps' own curve behind it. */
function makeString(group: LampGroup, lamps: number, freshV: number): LedString {
  const { junction } = group;
  const forwardV = lamps * junctionVolts(junction, group.currentA);
  const idealOhm = (freshV - forwardV) / group.currentA;
  const ohm = nextE24(idealOhm);
  const { amps } = stringFlow({ count: lamps, junction, ohm }, freshV);
  return {
    group: group.label,
    lamps,
    junction,
    forwardV,
    idealOhm,
    ohm,
    currentA: amps,
    resistorW: amps * amps * ohm,
  };
}

/**
 * Splits every group into equal series strings, as long as the supply allows with headroom. No string passes more than was
 * asked, not even with fresh cells.
 * @returns the circuit, or the arithmetic that shows why one lamp alone cannot light.
 */
export function solveCircuit(supply: Supply, groups: readonly LampGroup[]): Result<Strings> {
  const { nominalV, freshV } = supply;
  const strings: LedString[] = [];
  for (const group of groups) {
    const forwardV = junctionVolts(group.junction, group.currentA);
    const most = Math.min(group.most ?? Infinity, Math.floor((nominalV * (1 - HEADROOM)) / forwardV + 1e-9));
    if (most < 1) {
      const short = `${trimNumber(nominalV, 2)} V − ${trimNumber(forwardV, 2)} V = ${trimNumber(nominalV - forwardV, 2)} V`;
      const keep = trimNumber(nominalV * HEADROOM, 2);
      return fail(
        `One ${group.label} lamp leaves ${short} for its resistor; at least ${keep} V must remain as the cells sag.`,
      );
    }
    const count = Math.ceil(group.count / Math.min(most, group.count));
    for (let i = 0; i < count; i++) {
      const lamps = Math.floor(group.count / count) + (i < group.count % count ? 1 : 0);
      strings.push(makeString(group, lamps, freshV));
    }
  }
  return ok({ ...supply, strings, totalA: strings.reduce((sum, s) => sum + s.currentA, 0) });
}
