import type { LogEntry } from '../document';

/** What receipts come to in the currency of the build; those in another are counted apart. */
export function spentOf(
  log: readonly LogEntry[],
  currency: string,
): { receipts: number; total: number; other: number } {
  const bought = log.filter((e) => e.sort === 'bought' && e.actual !== null);
  const own = bought.filter((e) => e.unit === currency);
  return {
    receipts: own.length,
    total: own.reduce((sum, e) => sum + e.actual!, 0),
    other: bought.length - own.length,
  };
}
