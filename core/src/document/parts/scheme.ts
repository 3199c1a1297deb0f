import { list, matching, name, object, optional, oneOf, id, type ValueOf, within } from '../../rule';

/** How a surface takes the light. */
export const surfaceLooks = [
  'matt',
  'satin',
  'gloss',
  'metallic',
  'pearl',
  'bare',
  'leather',
  'wood',
] as const;
export type SurfaceLook = (typeof surfaceLooks)[number];

const colour = matching(/^#[0-9a-f]{6}$/, 'colour as #rrggbb');

const coatShape = { colour, surface: oneOf(...surfaceLooks) };

/** A colour and how it takes the light. */
export const coatRule = object(coatShape);
export type Coat = ValueOf<typeof coatRule>;

/** A piece, a detail, or an edge of a piece of another colour than the rest; an edge is painted as wide as the sheet is thick. */
const areaRule = object({ of: oneOf('piece', 'detail', 'edge'), id, edge: optional(id), ...coatShape });
export type PaintedArea = ValueOf<typeof areaRule>;

/** How worn it is made to look, none to much: dark wash in creases, bright edges, dust from below, scratches. */
export const wearRule = object({
  creases: within(0, 1),
  edges: within(0, 1),
  dust: within(0, 1),
  scratches: within(0, 1),
});
export type WornLook = ValueOf<typeof wearRule>;

/** The colours of a part: what most of it has, what differs, and its wear. */
export const schemeRule = object({
  base: coatRule,
  areas: list(areaRule, { most: 80 }),
  wear: wearRule,
});
export type Scheme = ValueOf<typeof schemeRule>;

/** Colours kept for later builds by a name. */
export const keptSchemeRule = object({ id, name, scheme: schemeRule });
export type KeptScheme = ValueOf<typeof keptSchemeRule>;

/** What a scheme begins with: nothing painted yet. */
export const bareScheme: Scheme = {
  base: { colour: '#3c4548', surface: 'bare' },
  areas: [],
  wear: { creases: 0, edges: 0, dust: 0, scratches: 0 },
};
