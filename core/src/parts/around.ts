import type { Body } from '../body';
import type { Params, Part, Ply } from '../document';
import type { FormInput, Model } from '../forms';
import { type Catalogue, foamSheet, type FoamSheet, type FoamStock, type Habits } from '../materials';
import type { Panel } from '../panel';
import { formOf, type Kinds } from './kinds';

/** Everything a part is worked out from besides itself. */
export interface Around {
  body: Body;
  underLayerMm: number;
  catalogue: Catalogue;
  stock: readonly FoamStock[];
  habits: Habits;
  kinds: Kinds;
}

export const sheetOf =
  ({ catalogue, stock }: Pick<Around, 'catalogue' | 'stock'>) =>
  ({ foamId, nominalMm }: Ply): FoamSheet =>
    foamSheet(catalogue.foams, stock, foamId, nominalMm);

/** What a form is given for a part, in a ply of its own or another. */
export function formInput(part: Part, around: Around, ply: Ply = part.stack[0]!): FormInput<Params> {
  const sheet = sheetOf(around);
  const foam = sheet(ply);
  return {
    params: part.params,
    body: around.body,
    underLayerMm: around.underLayerMm,
    liningMm: part.lining ? sheet(part.lining).thicknessMm.value : 0,
    foam,
    ply,
    own: (nominalMm) => {
      const own = nominalMm === 0 ? ply : { foamId: ply.foamId, nominalMm };
      return { ply: own, foam: nominalMm === 0 ? foam : sheet(own) };
    },
  };
}

export const modelOf = (part: Part, around: Around, ply?: Ply): Model =>
  formOf(around.kinds, part.form).model(formInput(part, around, ply));

/** The foam of each panel: its own, or the part's. */
export const foamFor =
  (around: Around, ply: Ply) =>
  (panel: Panel): FoamSheet =>
    sheetOf(around)(panel.ply ?? ply);
