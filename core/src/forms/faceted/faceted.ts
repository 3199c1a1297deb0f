import { choice, count, type ParamsOf } from '../../document';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { endPlate, profileField, rising, staves } from '../held/revolved';
import { silhouetteOf } from '../held/silhouette';

const fields = [
  count('sides', 'Sides', [3, 16], 'Faces round the axis.', 'Form'),
  choice(
    'ends',
    'Ends',
    [
      ['open', 'open'],
      ['foot', 'foot closed'],
      ['both', 'both closed'],
    ],
    'Plates with a hole for the stick.',
    'Form',
  ),
  profileField(),
] as const;

export type FacetedParams = ParamsOf<typeof fields>;

function design(input: FormInput<FacetedParams>): Design {
  const { params, foam } = input;
  const profile = rising(params.profile);
  const t = foam.thicknessMm.value;
  if (profile.length < 2) profile.push({ zMm: profile[0]!.zMm + t, acrossMm: profile[0]!.acrossMm });
  const { panels, joins } = staves(input, profile, params.sides, 'facets');
  const [foot, top] = [profile[0]!, profile.at(-1)!];
  // End plates stand within the sides.
  const plate = (id: string, name: string, z: number, across: number) =>
    across - 2 * t > 6 ? [endPlate(input, id, name, z, across - 2 * t, params.sides)] : [];
  const inside = Math.max(2, Math.min(foot.acrossMm, top.acrossMm) - 2 * t);
  return {
    panels: [
      ...panels,
      ...(params.ends === 'open' ? [] : plate('foot-plate', 'foot plate', foot.zMm, foot.acrossMm)),
      ...(params.ends === 'both' ? plate('top-plate', 'top plate', top.zMm - t, top.acrossMm) : []),
    ],
    joins,
    roomMm: 0,
    rooms: [boreRoom('hollow', 'hollow', inside, { x: 0, y: 0, z: foot.zMm }, top.zMm - foot.zMm)],
    figures: [
      { key: 'high', label: 'high', value: top.zMm - foot.zMm, unit: 'mm', decimals: 0 },
      { key: 'mitre', label: 'seams bevelled by', value: 180 / params.sides, unit: 'deg', decimals: 1 },
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
