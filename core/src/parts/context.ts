import { firstOf } from '../units';
import type { Body } from '../body';
import type { KeptMesh, Params, Part, Ply } from '../document';
import type { FormInput, Model } from '../forms';
import {
  caseWall,
  type Catalogue,
  foamSheet,
  type FoamSheet,
  type FoamStock,
  type Habits,
} from '../materials';
import type { Stick, Attachment, Panel } from '../panel';
import { formOf, type Kinds } from './kinds';

/** Everything a part is worked out from besides itself. */
export interface Context {
  body: Body;
  underLayerMm: number;
  catalogue: Catalogue;
  stock: readonly FoamStock[];
  habits: Habits;
  /** How much more or less glue, coats and paint weigh in this shop than stated. */
  finish: number;
  meshes: readonly KeptMesh[];
  /** How often what it hangs on is there. */
  times: number;
  /** Sticks that may pass through the part, in its space. */
  through: readonly Stick[];
  kinds: Kinds;
}

export const sheetOf =
  ({ catalogue, stock }: Pick<Context, 'catalogue' | 'stock'>) =>
  ({ foamId, nominalMm }: Ply): FoamSheet =>
    foamSheet(catalogue.foams, stock, foamId, nominalMm);

/** What a form is given for a part, in a ply of its own or another. */
export function formInput(part: Part, context: Context, ply: Ply = firstOf(part.stack)): FormInput<Params> {
  const sheet = sheetOf(context);
  const foam = sheet(ply);
  return {
    params: part.params,
    body: context.body,
    ...(part.mount.to === 'wearer' && { zone: part.mount.zone }),
    underLayerMm: context.underLayerMm,
    liningMm: part.lining ? sheet(part.lining).thicknessMm.value : 0,
    foam,
    ply,
    stack: (ply === part.stack[0] ? part.stack : [ply, ...part.stack.slice(1)]).map((p) => ({
      ply: p,
      foam: sheet(p),
    })),
    through: context.through,
    rods: context.catalogue.rods,
    meshes: context.meshes,
    own: (nominalMm) => {
      const own = nominalMm === 0 ? ply : { foamId: ply.foamId, nominalMm };
      return { ply: own, foam: nominalMm === 0 ? foam : sheet(own) };
    },
  };
}

/** The part's form worked out. */
export const formModel = (part: Part, context: Context, ply?: Ply): Model =>
  formOf(context.kinds, part.form).model(formInput(part, context, ply));

/** A form's model with its flat panels parted where features part them; the same one where none does. */
export function split(model: Model, part: Part, context: Context, ply?: Ply): Model {
  const panels = part.features.reduce<readonly Panel[]>(
    (now, feature) =>
      context.kinds.features
        .get(feature.kind)
        ?.divide?.(now, feature, foamFor(context, ply ?? firstOf(part.stack))) ?? now,
    model.panels,
  );
  return panels.every((p, i) => p === model.panels[i]) ? model : held({ ...model, panels: [...panels] });
}

/** A model in which nothing is glued to a panel that comes off: its seams are dry, and what hangs on it is held. */
function held(model: Model): Model {
  const folded = new Set(model.joins.filter((j) => j.kind === 'fold').flatMap((j) => [j.a[0], j.b[0]]));
  const off = new Set(model.panels.flatMap((p) => (p.comesOff && !folded.has(p.id) ? [p.id] : [])));
  const holds = (own: string, attached: Attachment): Attachment =>
    attached.by === 'glue' && (off.has(own) || attached.meets?.on.some((id) => off.has(id)))
      ? { ...attached, by: 'hold' }
      : attached;
  return {
    ...model,
    joins: model.joins.map((j) =>
      j.kind === 'seam' && (off.has(j.a[0]) || off.has(j.b[0])) ? { ...j, dry: true } : j,
    ),
    panels: model.panels.map(({ comesOff: _, ...p }) => ({
      ...p,
      ...(off.has(p.id) && { comesOff: true as const }),
      ...(p.attached && {
        attached: Object.fromEntries(Object.entries(p.attached).map(([side, h]) => [side, holds(p.id, h)])),
      }),
      ...(p.plate?.rimAttached && {
        plate: {
          ...p.plate,
          rimAttached: { ...p.plate.rimAttached, ...holds(p.id, p.plate.rimAttached), comeOff: [...off] },
        },
      }),
    })),
  };
}

/** The part's form worked out, with its flat panels parted where its features part them. */
export const modelOf = (part: Part, context: Context, ply?: Ply): Model =>
  split(formModel(part, context, ply), part, context, ply);

/** What each panel is made of: the case of a bought thing, foam of its own, or the part's. */
export const foamFor =
  (context: Context, ply: Ply) =>
  (panel: Panel): FoamSheet =>
    panel.existing ? caseWall(panel.existing.wallMm) : sheetOf(context)(panel.ply ?? ply);
