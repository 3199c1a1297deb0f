import { itemAt, firstOf, lastOf, getFrom } from '../../units';
import { choice, count, type ParamsOf } from '../../document';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { edgeTurns, type Panel } from '../../panel';
import { plateBetween } from '../held/endPlate';
import { innerProfile, profileField, rising } from '../held/revolved';
import { facets } from '../held/staves';
import { silhouetteOf } from '../held/silhouette';

const fields = [
  count('sides', 'Sides', [3, 16], 'Faces round the axis.', 'Size'),
  choice(
    'ends',
    'Ends',
    [
      ['open', 'open'],
      ['foot', 'foot closed'],
      ['both', 'both closed'],
    ],
    'Plates with a hole for the stick.',
    'Size',
  ),
  profileField(),
] as const;

export type FacetedParams = ParamsOf<typeof fields>;

/** No plate is cut smaller than this. */
const LEAST_PLATE_MM = 6;

/** Apothem of an inner face at a height, straight between its rings. */
function apothemAt(inner: readonly { r: number; z: number }[], z: number): number {
  const above = inner.findIndex((p) => p.z >= z);
  const k = above === -1 ? inner.length - 1 : Math.max(1, above);
  const [a, b] = [itemAt(inner, k - 1), itemAt(inner, k)];
  return a.r + ((z - a.z) / (b.z - a.z)) * (b.r - a.r);
}

function design(input: FormInput<FacetedParams>): Design {
  const { params, foam } = input;
  const profile = rising(params.profile);
  const t = foam.thicknessMm.value;
  if (profile.length < 2)
    profile.push({ zMm: firstOf(profile).zMm + t, acrossMm: firstOf(profile).acrossMm });
  const { panels, joins } = facets(input, profile, params.sides);
  const inner = innerProfile(profile, t);
  const [foot, top] = [firstOf(profile), lastOf(profile)];
  // End plates stand within the sides, their rims as the sides lean.
  const plate = (id: string, name: string, z: number): Panel[] => {
    const [lowMm, highMm] = [2 * apothemAt(inner, z), 2 * apothemAt(inner, z + t)];
    const attached = { by: 'glue' as const, words: 'glued within the sides' };
    return Math.min(lowMm, highMm) > LEAST_PLATE_MM
      ? [plateBetween(input, { id, name, z, lowMm, highMm, sides: params.sides, attached })]
      : [];
  };
  const inside = Math.max(2, Math.min(foot.acrossMm, top.acrossMm) - 2 * t);
  const bevels = getFrom(edgeTurns(panels, joins), firstOf(panels).id).get('right');
  return {
    panels: [
      ...panels,
      ...(params.ends === 'open' ? [] : plate('foot-plate', 'foot plate', foot.zMm)),
      ...(params.ends === 'both' ? plate('top-plate', 'top plate', top.zMm - t) : []),
    ],
    joins,
    roomMm: 0,
    rooms: [boreRoom('hollow', 'hollow', inside, { x: 0, y: 0, z: foot.zMm }, top.zMm - foot.zMm)],
    figures: [
      { key: 'high', label: 'high', value: top.zMm - foot.zMm, unit: 'mm', decimals: 0 },
      {
        key: 'mitre',
        label: profile.length > 2 ? 'seams at the foot bevelled by' : 'seams bevelled by',
        value: bevels?.halfDeg ?? 0,
        unit: 'deg',
        decimals: 1,
      },
    ],
    checks: [],
  };
}

export const faceted = defineForm<FacetedParams>({
  kind: 'faceted',
  label: 'Faceted head or spike',
  summary: 'Flat sides folded from foot to top: prism, pyramid or spike.',
  zones: [],
  rides: { anchor: 'tip', alongMm: -60 },
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 4 }],
  defaults: () => ({
    sides: 6,
    ends: 'foot',
    profile: [
      { zMm: 0, acrossMm: 50 },
      { zMm: 50, acrossMm: 96 },
      { zMm: 170, acrossMm: 14 },
    ],
  }),
  design,
  silhouette: ({ profile }) => silhouetteOf(profile),
});
