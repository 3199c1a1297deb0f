import { firstOf, lastOf } from '../../units';
import { choice, count, length, type ParamsOf } from '../../document';
import { sizeOf } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { discStack, frusta, profileField, radiusAt, revolvedMm3, rising, type Turn } from '../held/revolved';
import { gores } from '../held/staves';
import { wallCheck } from '../held/seat';
import { silhouetteOf } from '../held/silhouette';

const byDiscs = (params: object): boolean => (params as { make?: string }).make === 'discs';
const byGores = (params: object): boolean => (params as { make?: string }).make === 'gores';
const fluted = (params: object): boolean => byDiscs(params) && (params as { flutes?: number }).flutes !== 0;

const fields = [
  choice(
    'make',
    'Made of',
    [
      ['discs', 'a stack of discs'],
      ['frusta', 'bands, each a cone or ring'],
      ['gores', 'gores from foot to top'],
    ],
    'The error of each against the profile is reported.',
    'Size',
  ),
  count('gores', 'Gores', [3, 24], 'Sides from foot to top.', 'Size', { when: byGores }),
  length('boreMm', 'Bore', [0, 400], 'Through the discs when no stick passes; 0 is solid.', 'Size', {
    when: byDiscs,
  }),
  count('flutes', 'Flutes', [0, 16], 'Round hollows down the outside.', 'Flutes', { when: byDiscs }),
  length('fluteMm', 'Flute width', [2, 120], 'Across each.', 'Flutes', { when: fluted }),
  profileField(),
] as const;

export type TurnedParams = ParamsOf<typeof fields>;

const WALL_MM = 5;

function design(input: FormInput<TurnedParams>): Design {
  const { params, foam, through } = input;
  const profile = rising(params.profile);
  if (profile.length < 2)
    profile.push({ zMm: firstOf(profile).zMm + foam.thicknessMm.value, acrossMm: firstOf(profile).acrossMm });
  const [foot, top] = [firstOf(profile).zMm, lastOf(profile).zMm];
  const discs =
    params.make === 'discs'
      ? discStack(input, profile, {
          boreMm: params.boreMm,
          ...(params.flutes > 0 && { flutes: { count: params.flutes, widthMm: params.fluteMm } }),
        })
      : undefined;
  const made =
    discs ?? (params.make === 'frusta' ? frusta(input, profile) : gores(input, profile, params.gores));
  const sticks = through.filter((c) => c.to.z > foot && c.from.z < top);
  // A gore is flat across: it stands in from the round by the sagitta of its own angle.
  const errorMm = discs
    ? discs.errorMm
    : params.make === 'gores'
      ? Math.max(...profile.map((p) => p.acrossMm / 2)) * (1 / Math.cos(Math.PI / params.gores) - 1)
      : 0;
  return {
    panels: made.panels,
    joins: made.joins,
    roomMm: 0,
    anchors: [
      {
        id: 'axis',
        name: 'round its axis',
        at: { x: 0, y: 0, z: (foot + top) / 2 },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
        along: { x: 0, y: 0, z: 1 },
      },
    ],
    rooms:
      params.make === 'discs'
        ? params.boreMm > 0 && sticks.length === 0
          ? [boreRoom('bore', 'bore', params.boreMm, { x: 0, y: 0, z: foot }, top - foot)]
          : []
        : [hollow(profile, foam.thicknessMm.value)],
    figures: [
      { key: 'high', label: 'high', value: top - foot, unit: 'mm', decimals: 0 },
      ...(discs
        ? [{ key: 'discs', label: 'discs', value: discs.count, unit: '' as const, decimals: 0 }]
        : []),
      { key: 'error', label: 'off the profile by', value: errorMm, unit: 'mm', decimals: 1 },
      {
        key: 'volume',
        label: 'inside the profile, cm³',
        value: revolvedMm3(profile) / 1000,
        unit: '',
        decimals: 0,
      },
    ],
    checks: [
      ...(discs?.checks ?? []),
      ...sticks.flatMap((stick) => {
        const narrow = Math.min(
          ...profile.filter((p) => p.zMm >= stick.from.z && p.zMm <= stick.to.z).map((p) => p.acrossMm / 2),
          radiusAt(profile, Math.max(foot, stick.from.z)),
          radiusAt(profile, Math.min(top, stick.to.z)),
        );
        const [wide] = sizeOf(stick.section);
        return params.make === 'discs'
          ? wallCheck(`turned-wall-${stick.id}`, stick.name, narrow - wide / 2, WALL_MM)
          : [];
      }),
    ],
  };
}

/** The hollow of a shell of revolution: as wide as its narrower end, as deep. */
function hollow(profile: readonly Turn[], wallMm: number) {
  const least = Math.max(2, Math.min(...profile.map((p) => p.acrossMm)) - 2 * wallMm);
  const [foot, top] = [firstOf(profile).zMm, lastOf(profile).zMm];
  return boreRoom('hollow', 'hollow', least, { x: 0, y: 0, z: foot }, top - foot);
}

export const turned = defineForm<TurnedParams>({
  kind: 'turned',
  label: 'Turned form',
  summary: 'A profile turned about the stick: pommel, cylinder, mace head, finial.',
  zones: [],
  rides: { anchor: 'foot', alongMm: 0 },
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 10 }],
  defaults: () => ({
    make: 'discs',
    gores: 8,
    boreMm: 0,
    flutes: 0,
    fluteMm: 12,
    profile: [
      { zMm: -30, acrossMm: 34 },
      { zMm: -8, acrossMm: 56 },
      { zMm: 14, acrossMm: 56 },
      { zMm: 30, acrossMm: 40 },
    ],
  }),
  design,
  silhouette: ({ profile }) => silhouetteOf(profile),
});
