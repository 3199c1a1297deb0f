import { type LengthUnit, printLength } from '@fomrik/core/units';
import { useView } from '../store/view';

export const otherUnit = (unit: LengthUnit): LengthUnit => (unit === 'mm' ? 'in' : 'mm');

/** Prints lengths in the unit the maker has chosen. */
export function useLength(): (mm: number, decimals?: number) => string {
  const unit = useView((v) => v.unit);
  return (mm, decimals = 1) => printLength(mm, unit, decimals);
}
