import type { Pack } from '../materials';
import { type CircuitReport, hoursOn } from './circuits';

/** A pack for the same lamps: how long, how heavy, how big, how dear; sets of cells for the hours asked. */
export interface PackChoice {
  pack: Pack;
  hours: number;
  massG: number;
  volumeCm3: number;
  price: number;
  /** Sets of cells to carry to the end of the day, the one in it counted. */
  sets: number;
}

/** Every pack that can light these lamps, longest first. */
export function packChoices(
  made: Pick<CircuitReport, 'groups' | 'steady' | 'feed' | 'duty'>,
  packs: readonly Pack[],
  wantedH: number,
): PackChoice[] {
  return packs
    .map((pack) => ({ pack, hours: hoursOn(made, pack) }))
    .filter(({ hours }) => hours > 0)
    .map(({ pack, hours }) => ({
      pack,
      hours,
      massG: pack.massG,
      volumeCm3: (pack.lengthMm * pack.widthMm * pack.thickMm) / 1000,
      price: pack.price,
      sets: Math.max(1, Math.ceil(wantedH / hours - 1e-9)),
    }))
    .sort((a, b) => b.hours - a.hours);
}
