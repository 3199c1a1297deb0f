import type { LimbSide, MeasureKey, Wearer } from '@fomrik/core/body';
import type { Draft } from 'immer';

/** Writes today's reading; one from an earlier day is kept beside it. */
export function recordMeasure(
  wearer: Draft<Wearer>,
  key: MeasureKey,
  valueMm: number,
  today: string,
  side?: LimbSide,
): void {
  const sameDay = wearer.measures.find((m) => m.key === key && m.takenOn >= today && m.side === side);
  if (sameDay) {
    sameDay.valueMm = valueMm;
    sameDay.source = 'tape';
  } else wearer.measures.push({ key, valueMm, source: 'tape', takenOn: today, ...(side && { side }) });
}
