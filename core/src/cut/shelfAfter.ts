import { signedArea } from '../geometry';
import type { FoamStock, Offcut } from '../materials';
import { remaindersOf } from './remainders';
import type { Packed } from './packing';
import type { ToLay } from './sheets';

/** Most offcuts that are kept of one foam: the largest. */
const MOST_OFFCUTS = 100;

const areaOf = ({ outline }: Offcut): number => Math.abs(signedArea(outline));

/**
 * The shelf once a plan is cut: whole sheets it took are gone from it, offcuts it took too, and what is worth keeping of
 * every sheet lies there.
 * @param place where the remainders are put; @param on ISO date; @param idOf a fresh id.
 */
export function shelfAfter(
  shelf: readonly FoamStock[],
  { sheets }: Pick<Packed, 'sheets'>,
  items: readonly ToLay[],
  apartMm: number,
  place: string,
  on: string,
  idOf: () => string,
): { shelf: FoamStock[]; kept: number; keptMm2: number } {
  const after = new Map(shelf.map((s) => [`${s.foamId}/${s.nominalMm}`, { ...s }]));
  let kept = 0;
  let keptMm2 = 0;
  for (const sheet of sheets) {
    const key = `${sheet.foamId}/${sheet.nominalMm}`;
    const own: FoamStock = after.get(key) ?? { foamId: sheet.foamId, nominalMm: sheet.nominalMm, sheets: 0 };
    const fresh = remaindersOf(sheet, items, apartMm).map((left): Offcut => ({
      id: idOf(),
      place,
      since: on,
      ...left,
    }));
    kept += fresh.length;
    keptMm2 += fresh.reduce((sum, o) => sum + areaOf(o), 0);
    const offcuts = [...(own.offcuts ?? []).filter((o) => o.id !== sheet.offcut?.id), ...fresh]
      .sort((a, b) => areaOf(b) - areaOf(a))
      .slice(0, MOST_OFFCUTS);
    after.set(key, {
      ...own,
      sheets: sheet.offcut ? own.sheets : Math.max(0, own.sheets - 1),
      offcuts,
    });
  }
  return {
    shelf: [...after.values()].map(({ offcuts = [], ...s }) => (offcuts.length > 0 ? { ...s, offcuts } : s)),
    kept,
    keptMm2,
  };
}
