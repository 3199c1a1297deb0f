import { trimNumber } from './length';
import { sumTerms } from './scan';
import type { Result } from './result';

/** International avoirdupois pound, exact by definition. */
const G_PER_LB = 453.59237;

const GRAMS: Record<string, number> = { g: 1, kg: 1000, oz: G_PER_LB / 16, lb: G_PER_LB, lbs: G_PER_LB };

/** Reads `250`, `1.2kg`, `3 lb 4 oz`; a bare number is grams. @returns grams. */
export const parseMassG = (text: string): Result<number> => sumTerms(text, GRAMS, 'g');

export const printMass = (massG: number): string =>
  Math.abs(massG) >= 1000 ? `${trimNumber(massG / 1000, 2)} kg` : `${trimNumber(massG, 0)} g`;
