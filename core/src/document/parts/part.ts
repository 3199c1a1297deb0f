import { byId } from '../../units';
import { zoneInfo } from '../../body';
import { coatings } from '../../materials';
import {
  also,
  id,
  list,
  name,
  nullable,
  object,
  oneOf,
  optional,
  type Rule,
  text,
  type ValueOf,
  whole,
  within,
} from '../../rule';
import type { Habits } from '../../materials';
import type { Known } from '../known';
import { mountRule } from './mount';
import { chosenBy, kindsRule, paramsRule } from './params';
import { type Place, placeOf } from './place';
import { schemeRule } from './scheme';
import type { Params } from './value';

/** A lamination of more layers is several parts. */
export const MOST_LAYERS = 24;

/** One layer of sheet: which foam, and how thick it is sold. */
export const plyRule = object({ foamId: id, nominalMm: within(0.5, 200) });
export type Ply = ValueOf<typeof plyRule>;

/** A dart placed by hand: where its mouth is along an edge and how far it reaches towards the middle, as shares. */
const handDartRule = object({ edgeId: id, at: within(0, 1), reach: within(0.1, 1) });
export type HandDart = ValueOf<typeof handDartRule>;

/** The darts of a piece as the maker wants them; an empty list is none. */
export const pieceDartsRule = object({ pieceId: id, darts: list(handDartRule, { most: 12 }) });
export type PieceDarts = ValueOf<typeof pieceDartsRule>;

/** A picture under the drawing of a part: where its middle lies, and how far it is turned. */
const beneathRule = object({
  picture: id,
  xMm: within(-5000, 5000),
  yMm: within(-5000, 5000),
  turnDeg: within(-360, 360),
});
export type Beneath = ValueOf<typeof beneathRule>;

/** How a part is finished, where it is not as usual. */
export const finishRule = object({
  /** A sealer of its own, and its coats; as the shop has it when left out. */
  seal: optional(oneOf(...(Object.keys(coatings) as Habits['seal'][]))),
  sealCoats: optional(whole(0, 12)),
  /** Colours, the base one among them. */
  colours: whole(0, 12),
  weathering: oneOf('none', 'wash', 'dry-brush'),
  clearCoats: whole(0, 6),
});
export type Finish = ValueOf<typeof finishRule>;

/** What is laid on, cut in or put in a part. Ids are unique in the build. */
export interface Feature {
  id: string;
  kind: string;
  place: Place;
  params: Params;
  /** What was found out about it, as it was written down. */
  note?: string;
  /** A photograph of it, among the pictures of the build. */
  picture?: string;
}

/** Longest note on a detail, characters. */
export const MOST_NOTE = 500;

export const featureRule = ({ features }: Known): Rule<Feature> =>
  kindsRule(
    'kind',
    new Map(
      [...features.values()].map(({ kind, places, fields }) => [
        kind,
        {
          id,
          kind: oneOf(kind),
          place: placeOf(places),
          params: paramsRule(fields),
          note: optional(text(MOST_NOTE)),
          picture: optional(id),
        },
      ]),
    ),
  );

/** A mount must be one its form can hang from, with a side that place has. */
const mountFits =
  ({ forms }: Known) =>
  (part: { form: string; mount: ValueOf<typeof mountRule> }): string | undefined => {
    const form = forms.get(part.form);
    const on = part.mount;
    if (!form || on.to !== 'wearer') return undefined;
    if (!form.zones.includes(on.zone))
      return `“mount.zone”: a ${form.label.toLowerCase()} hangs from ${form.zones.join(', ') || 'a stand or another part'}, not from ${on.zone}`;
    const { sides, label } = zoneInfo(on.zone);
    return sides.includes(on.side) ? undefined : `“mount.side” at the ${label} must be ${sides.join(', ')}`;
  };

/** One form in one place. */
export const partRule = (known: Known) => {
  const kinds = [...known.forms.values()];
  return also(
    object({
      id,
      name,
      form: oneOf(...known.forms.keys()),
      params: chosenBy(
        'form',
        kinds.map((k) => [k.kind, paramsRule(k.fields)] as const),
      ),
      /** Layers from the inside out; a shell has one. */
      stack: chosenBy(
        'form',
        kinds.map(
          (k) =>
            [k.kind, list(plyRule, { least: 1, most: k.sheets === 'layers' ? MOST_LAYERS : 1 })] as const,
        ),
      ),
      lining: nullable(plyRule),
      mount: mountRule,
      features: list(featureRule(known), { most: 200 }),
      /** Pieces not named are darted by the stretch. */
      darts: list(pieceDartsRule, { most: 100, unique: 'pieceId' }),
      beneath: optional(beneathRule),
      finish: optional(finishRule),
      scheme: optional(schemeRule),
      /** It was made for another build, so many years ago: nothing of it is cut, and what has aged is renewed. */
      reused: optional(object({ years: within(0, 60) })),
      /** Its shell is laid in plastic by a printer instead of cut from sheet. */
      printed: optional(oneOf(true)),
    }),
    mountFits(known),
  );
};
export type Part = ValueOf<ReturnType<typeof partRule>>;

/** Feature ids are unique in the build, and mounts form no ring. */
export function partsHang(parts: readonly Part[]): string | undefined {
  const seen = new Set<string>();
  for (const f of parts.flatMap((p) => p.features)) {
    if (seen.has(f.id)) return `“parts”: two features are called “${f.id}”`;
    seen.add(f.id);
  }
  for (const part of parts) {
    const way = new Set([part.id]);
    for (let at: Part | undefined = part; at?.mount.to === 'part';) {
      const host: string = at.mount.part;
      if (way.has(host)) return `“parts”: ${part.name} is mounted on itself by way of “${host}”`;
      way.add(host);
      at = byId(parts, host);
    }
  }
  return undefined;
}

/** Copies of a part: one for each side of a pair, or as many as its mount puts on. */
export function copiesOf({ mount }: Pick<Part, 'mount'>): number {
  if (mount.to === 'wearer') return mount.side === 'pair' ? 2 : 1;
  if (mount.to === 'stand' || !mount.copies) return 1;
  return mount.copies.way === 'mirrored' ? 2 : mount.copies.count;
}
