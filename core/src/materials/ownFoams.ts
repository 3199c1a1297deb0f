import { id, list, matching, name, object, oneOf, optional, type ValueOf, within } from '../rule';
import { figure } from '../units';
import type { Catalogue } from './catalogue';
import type { Foam } from './foams';

/** A thickness of it as it is sold or lies there; what is sold by the metre is as high as its roll is long. */
const sizeRule = object({
  nominalMm: within(0.5, 200),
  widthMm: within(50, 3000),
  heightMm: within(50, 50_000),
  price: within(0, 10_000),
});

/** A sheet that no catalogue has: everything the plan asks of it, as its maker found it. */
export const ownFoamRule = object({
  id,
  name,
  kind: oneOf('foam', 'board', 'acrylic', 'thermoplastic', 'block'),
  colour: matching(/^#[0-9a-f]{6}$/, 'colour as #rrggbb'),
  densityKgM3: within(5, 3000),
  modulusMPa: within(0.01, 20_000),
  /** From a ring test; in the middle where none was made. */
  neutralFraction: optional(within(0, 1)),
  /** Faces with a pattern on them. */
  texture: oneOf('none', 'one', 'both'),
  sizes: list(sizeRule, { least: 1, most: 24 }),
});
export type OwnFoam = ValueOf<typeof ownFoamRule>;

/** A foam of one's own as one of the catalogue. */
export const foamOf = ({ sizes, neutralFraction, densityKgM3, modulusMPa, ...own }: OwnFoam): Foam => ({
  ...own,
  densityKgM3: figure(densityKgM3, 'measured'),
  modulusMPa: figure(modulusMPa, 'measured'),
  neutralFraction:
    neutralFraction === undefined ? figure(0.5, 'memory') : figure(neutralFraction, 'measured'),
  use: '',
  sheets: sizes
    .map(({ price, ...size }) => ({ ...size, price: figure(price, 'measured') }))
    .sort((a, b) => a.nominalMm - b.nominalMm),
});

const known = new WeakMap<readonly OwnFoam[], { base: Catalogue; all: Catalogue }>();

/** A catalogue with foams of one's own after those it has; the same object as long as neither changes. */
export function catalogueWith(base: Catalogue, own: readonly OwnFoam[] | undefined): Catalogue {
  if (!own || own.length === 0) return base;
  const kept = known.get(own);
  if (kept?.base === base) return kept.all;
  const all = { ...base, foams: [...base.foams, ...own.map(foamOf)] };
  known.set(own, { base, all });
  return all;
}
