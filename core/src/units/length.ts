import { scanTerms, sumTerms } from './scan';
import type { Result } from './result';

/** Exact by definition: international inch, 1959. */
export const MM_PER_INCH = 25.4;

const MM: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  ft: 12 * MM_PER_INCH,
  foot: 12 * MM_PER_INCH,
  feet: 12 * MM_PER_INCH,
  "'": 12 * MM_PER_INCH,
};

export type LengthUnit = 'mm' | 'in';

/**
 * Reads a length as makers type it: `86`, `8.6cm`, `3 3/8"`, `3-3/8 in`, `1'2"`, `120+6`.
 * A bare number is in `whenBare`, but inches when it follows feet (`1'2`).
 * @returns millimetres, or a sentence that quotes the input.
 */
export function parseLengthMm(text: string, whenBare: LengthUnit = 'mm'): Result<number> {
  const scanned = scanTerms(text);
  if (scanned.ok) {
    const last = scanned.value.at(-1)!;
    const before = scanned.value.at(-2);
    const inchesAfterFeet = last.unit === '' && before && ["'", 'ft', 'foot', 'feet'].includes(before.unit);
    if (inchesAfterFeet && !/[+-]\s*[\d.,/]+\s*$/.test(text)) return sumTerms(`${text}"`, MM, whenBare);
  }
  return sumTerms(text, MM, whenBare);
}

/** Below this a sixteenth is too coarse: sheets a millimetre apart would read alike. */
const FINE_MM = 12.7;
const FINEST_MM = 3;
/** Below this no fraction of a rule is left. */
const LEAST_MM = 0.2;

const denominatorFor = (mm: number): number => (mm < FINEST_MM ? 64 : mm < FINE_MM ? 32 : 16);

/** Inches with the nearest fraction of a rule, such as `3 3/8"`: sixteenths, finer for what is small; never nought for what is not. */
export function printInches(valueMm: number, denominator = denominatorFor(Math.abs(valueMm))): string {
  const sign = valueMm < 0 ? '-' : '';
  const size = Math.abs(valueMm);
  if (size > 0 && size < LEAST_MM) return `${sign}${Math.max(0.001, size / MM_PER_INCH).toFixed(3)}"`;
  let top = Math.round((size / MM_PER_INCH) * denominator);
  let bottom = denominator;
  const whole = Math.floor(top / bottom);
  top -= whole * bottom;
  while (top > 0 && top % 2 === 0 && bottom % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return `${sign}${whole}"`;
  return whole === 0 ? `${sign}${top}/${bottom}"` : `${sign}${whole} ${top}/${bottom}"`;
}

/** Millimetres with at most `decimals` decimals and no trailing zeros, such as `86.5 mm`. */
export function printMm(valueMm: number, decimals = 1): string {
  return `${trimNumber(valueMm, decimals)} mm`;
}

export function printLength(valueMm: number, unit: LengthUnit, decimals = 1): string {
  return unit === 'in' ? printInches(valueMm) : printMm(valueMm, decimals);
}

/** A number with at most `decimals` decimals, no trailing zeros and no negative zero. */
export function trimNumber(value: number, decimals = 1): string {
  const rounded = Number(value.toFixed(decimals));
  return String(rounded === 0 ? 0 : rounded);
}
