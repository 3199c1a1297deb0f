import type { Totals } from '@fomrik/core/findings';
import { trimNumber } from '@fomrik/core/units';

export interface LedgerFigure {
  key: keyof Totals;
  label: string;
  unit: string;
  decimals: number;
  /** Multiplies the report's value for showing. */
  scale: number;
}

export const ledgerFigures = (currency: string): LedgerFigure[] => [
  { key: 'massG', label: 'mass', unit: 'g', decimals: 0, scale: 1 },
  { key: 'foamAreaMm2', label: 'foam', unit: 'dm²', decimals: 1, scale: 1e-4 },
  { key: 'sheets', label: 'sheets', unit: '', decimals: 0, scale: 1 },
  { key: 'cost', label: 'to buy', unit: currency, decimals: 0, scale: 1 },
  { key: 'lightHours', label: 'light', unit: 'h', decimals: 1, scale: 1 },
  { key: 'workMin', label: 'work', unit: 'h', decimals: 1, scale: 1 / 60 },
  { key: 'daysToSpare', label: 'to spare', unit: 'days', decimals: 0, scale: 1 },
];

export const showFigure = (value: number | null, { decimals, scale }: LedgerFigure): string =>
  value === null ? '–' : trimNumber(value * scale, decimals);

/** `+12`, `−3`, or nothing when equal as shown. */
export function difference(
  now: number | null,
  then: number | null | undefined,
  decimals: number,
  scale = 1,
): string {
  if (now === null || then === null || then === undefined) return '';
  const change = Number(((now - then) * scale).toFixed(decimals));
  if (change === 0) return '';
  return change > 0 ? `+${trimNumber(change, decimals)}` : `−${trimNumber(-change, decimals)}`;
}
