import type { PartReport } from '../parts';
import { asPrinted } from './asPrinted';
import { asThere } from './thereAlready';

/**
 * Parts as planning, cutting and buying see them: one that is there already is renewed where it has aged, the shell of one
 * that is printed is cut from no sheet. The very same object for the same part.
 */
export const toMake = (parts: readonly PartReport[]): PartReport[] =>
  parts.map((part) =>
    part.reused ? asThere(part, part.reused.years) : part.printing ? asPrinted(part, part.printing) : part,
  );
