import type { FoamStock } from '@fomrik/core/materials';
import { useBuild } from './build';

type Settable = Partial<
  Pick<
    FoamStock,
    | 'sheets'
    | 'measuredMm'
    | 'sheetG'
    | 'neutralFraction'
    | 'rightAngleMm'
    | 'pricePerSheet'
    | 'turns'
    | 'offcuts'
  >
>;

/** What is measured or on the shelf of one foam in one thickness. */
export const setStock = (foamId: string, nominalMm: number, change: Settable): void =>
  useBuild.getState().update((d) => {
    const known = d.stock.find((s) => s.foamId === foamId && s.nominalMm === nominalMm);
    if (known) Object.assign(known, change);
    else d.stock.push({ foamId, nominalMm, sheets: 0, ...change });
  });
