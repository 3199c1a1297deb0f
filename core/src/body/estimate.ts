import { getFrom, findIn, itemAt } from '../units';
import { growth } from './growth';
import { ratios } from './ratios';
import { measureInfo, type MeasureKey } from './measures';
import type { LimbSide, Measure, MeasureSource } from './wearer';

export interface ResolvedMeasure {
  key: MeasureKey;
  valueMm: number;
  source: MeasureSource | 'estimate';
  /** For an estimate: what it was worked out from. */
  from?: string;
  takenOn?: string;
}

export type Body = Record<MeasureKey, ResolvedMeasure>;

/** Typical adult stature, the mean of the two means in the trade table (from memory). */
const TYPICAL_STATURE_MM = 1693;

/** The newest reading of each key; for a side, one taken on that side counts before one for both. */
export function newestMeasures(measures: readonly Measure[], side?: LimbSide): Map<MeasureKey, Measure> {
  const newest = new Map<MeasureKey, Measure>();
  for (const m of measures) {
    if (m.side !== undefined && m.side !== side) continue;
    const known = newest.get(m.key);
    const nearer = (m.side !== undefined ? 1 : 0) - (known?.side !== undefined ? 1 : 0);
    if (!known || nearer > 0 || (nearer === 0 && m.takenOn >= known.takenOn)) newest.set(m.key, m);
  }
  return newest;
}

/** Whether a reading may serve an estimate: one out of range (a slip of unit, say) may not. */
function sound(reading: Measure | undefined): boolean {
  if (!reading) return false;
  const [low, high] = measureInfo(reading.key).rangeMm;
  return reading.valueMm >= low && reading.valueMm <= high;
}

/** One measure worked out from another of someone of a stature: an adult's ratio, and how both differ at that stature. */
const fromBase = (
  key: MeasureKey,
  base: MeasureKey,
  ratio: number,
  baseMm: number,
  statureMm: number,
): number => (baseMm * ratio * growth(key, statureMm)) / growth(base, statureMm);

/**
 * Every measure of the body: read where it was taken, otherwise estimated from another reading
 * (never from another estimate, stature apart) and marked with what it came from.
 * @param side whose limbs, when left and right were measured apart.
 */
export function resolveBody(readings: readonly Measure[], side?: LimbSide): Body {
  const taken = newestMeasures(readings, side);
  const statureMm = sound(taken.get('stature')) ? getFrom(taken, 'stature').valueMm : TYPICAL_STATURE_MM;
  const settle = (key: MeasureKey): ResolvedMeasure => {
    const read = taken.get(key);
    if (read) return { key, valueMm: read.valueMm, source: read.source, takenOn: read.takenOn };
    if (key === 'stature') {
      return { key, valueMm: TYPICAL_STATURE_MM, source: 'estimate', from: 'a typical adult' };
    }
    const way = ratios[key].find(([base]) => sound(taken.get(base)));
    if (way) {
      const [base, ratio] = way;
      const valueMm = fromBase(key, base, ratio, getFrom(taken, base).valueMm, statureMm);
      return { key, valueMm, source: 'estimate', from: measureInfo(base).label.toLowerCase() };
    }
    const ratio = findIn(ratios[key], ([base]) => base === 'stature')[1];
    return { key, valueMm: TYPICAL_STATURE_MM * ratio, source: 'estimate', from: 'a typical adult' };
  };
  const keys = Object.keys(ratios) as (keyof typeof ratios)[];
  const entries = (['stature', ...keys] as MeasureKey[]).map((key) => [key, settle(key)]);
  return Object.fromEntries(entries) as Body;
}

/**
 * What the other readings say a key should be: the median over every way of working it out, so that
 * one wrong reading does not make its neighbours look wrong.
 */
export function expectedMm(readings: readonly Measure[], key: MeasureKey): number {
  const taken = newestMeasures(readings);
  const statureMm = sound(taken.get('stature')) ? getFrom(taken, 'stature').valueMm : TYPICAL_STATURE_MM;
  if (key === 'stature') return TYPICAL_STATURE_MM;
  const said = ratios[key]
    .filter(([base]) => taken.has(base))
    .map(([base, ratio]) => fromBase(key, base, ratio, getFrom(taken, base).valueMm, statureMm))
    .sort((a, b) => a - b);
  if (said.length === 0) return resolveBody([])[key].valueMm;
  const middle = (said.length - 1) / 2;
  return (itemAt(said, Math.floor(middle)) + itemAt(said, Math.ceil(middle))) / 2;
}

/** What a mirrored pair is cut to: the larger of left and right in every measure. */
export function largerBody(left: Body, right: Body): Body {
  const keys = Object.keys(left) as MeasureKey[];
  return Object.fromEntries(
    keys.map((key) => [key, left[key].valueMm >= right[key].valueMm ? left[key] : right[key]]),
  ) as Body;
}
