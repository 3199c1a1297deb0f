import { count, length, ownFoam, type ParamsOf } from '../../document';
import { type Panel, platePanel } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { rectangle, regular } from '../held/outlines';
import { endPlate } from '../held/endPlate';
import { foldedWall } from '../held/foldedWall';
import { facets } from '../held/staves';

const fields = [
  count('sides', 'Sides', [3, 12], 'Of base, roof and light.', 'Size'),
  length('acrossMm', 'Across', [50, 600], 'Flat to flat, outside the posts.', 'Size', {
    gives: [{ need: 'room', by: 1 }],
  }),
  length('lightMm', 'Light height', [30, 800], 'Between base and roof.', 'Size'),
  length('roofMm', 'Roof height', [10, 500], 'From eaves to top.', 'Size'),
  length('eavesMm', 'Eaves', [0, 150], 'How far the roof stands out.', 'Size'),
  length('topMm', 'Roof top', [8, 300], 'Flat to flat where the roof ends.', 'Size'),
  length('postMm', 'Post width', [6, 100], 'Of the posts at the corners.', 'Posts'),
  length('sleeveInMm', 'Diffuser in', [0, 60], 'From the posts to the diffuser inside them.', 'Light'),
  ownFoam('sleeveMm', 'Diffuser thickness'),
] as const;

export type LanternParams = ParamsOf<typeof fields>;

/** Diffusers are of white polyethylene foam whatever the rest is of. */
const DIFFUSER = 'pe-white';
const DIFFUSER_MM = 3;
/** No diffuser is cut longer in one piece than a sheet of it, mm; common practice, no source. */
const SHEET_MM = 970;

function design(input: FormInput<LanternParams>): Design {
  const { params, foam, ply } = input;
  const t = foam.thicknessMm.value;
  const { sides } = params;
  const half = Math.PI / sides;
  const top = t + params.lightMm;
  const base = endPlate(input, 'base', 'base', 0, params.acrossMm, sides);
  const ceiling = endPlate(input, 'ceiling', 'ceiling', top, params.acrossMm, sides);
  const roof = facets(
    input,
    [
      { zMm: top + t, acrossMm: params.acrossMm + 2 * params.eavesMm },
      { zMm: top + t + params.roofMm, acrossMm: Math.min(params.topMm, params.acrossMm) },
    ],
    sides,
  );
  // A post at every corner, its outer face flush with the base.
  const corner = params.acrossMm / 2 / Math.cos(half) - t / 2;
  const width = Math.min(params.postMm, 1.6 * corner * Math.sin(half));
  const posts = Array.from({ length: sides }, (_, k): Panel => {
    const a = -Math.PI / 2 + half + 2 * half * k;
    const out = { x: Math.cos(a), y: Math.sin(a), z: 0 };
    return platePanel({
      id: `post-${k + 1}`,
      name: `post ${k + 1} of ${sides}`,
      origin: { x: out.x * (corner - t), y: out.y * (corner - t), z: t + params.lightMm / 2 },
      across: { x: -out.y, y: out.x, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      outline: rectangle({ x: 0, y: 0 }, width, params.lightMm),
      cuts: [],
      ply,
    });
  });
  // The diffuser stands inside the posts, one sheet folded at every corner.
  const sleeveT = params.sleeveMm === 0 ? DIFFUSER_MM : params.sleeveMm;
  const flats = Math.max(10, params.acrossMm - 2 * (t + params.sleeveInMm) - 2 * sleeveT);
  const ring = regular({ x: 0, y: 0 }, sides, flats);
  const sleeve = foldedWall({
    id: 'diffuser',
    name: 'diffuser',
    ring,
    toSpace: (p, height) => ({ ...p, z: t + height * params.lightMm }),
    edges: { bottom: 'lower edge', top: 'upper edge' },
    longestMm: SHEET_MM,
    foamMm: sleeveT,
    ply: { foamId: DIFFUSER, nominalMm: sleeveT },
  });
  return {
    panels: [base, ...posts, ...sleeve.panels, ceiling, ...roof.panels],
    joins: [...roof.joins, ...sleeve.joins],
    roomMm: 0,
    rooms: [
      boreRoom('light', 'inside the diffuser', flats, { x: 0, y: 0, z: t }, params.lightMm),
      boreRoom(
        'roof',
        'under the roof',
        Math.max(5, params.topMm),
        { x: 0, y: 0, z: top + t },
        params.roofMm,
      ),
    ],
    anchors: [
      {
        id: 'top',
        name: 'top of the roof',
        at: { x: 0, y: 0, z: top + t + params.roofMm },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
        along: { x: 0, y: 0, z: 1 },
      },
    ],
    figures: [
      { key: 'high', label: 'high', value: top + t + params.roofMm, unit: 'mm', decimals: 0 },
      { key: 'diffuser', label: 'diffuser, flat to flat', value: flats, unit: 'mm', decimals: 0 },
    ],
    checks:
      flats <= 10
        ? [
            {
              id: 'diffuser-room',
              severity: 'stop',
              station: 'shape',
              title: 'the posts and the diffuser leave no room for light inside.',
              why: 'The diffuser stands inside the posts by its distance and its thickness.',
              provenance: 'standard',
              excess: 10,
              remedies: [{ need: 'room', mm: 40 }],
            },
          ]
        : [],
  };
}

export const lantern = defineForm<LanternParams>({
  kind: 'lantern',
  label: 'Lantern',
  summary: 'Base, posts, diffuser and roof, with a socket for the stick.',
  zones: [],
  rides: { anchor: 'tip', alongMm: -6 },
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 6 }],
  defaults: () => ({
    sides: 6,
    acrossMm: 150,
    lightMm: 150,
    roofMm: 80,
    eavesMm: 16,
    topMm: 30,
    postMm: 16,
    sleeveInMm: 6,
    sleeveMm: 3,
  }),
  design,
  silhouette: ({ acrossMm: a, lightMm: l, roofMm: r, eavesMm: e, topMm }) => [
    { x: -a / 2, y: 0 },
    { x: a / 2, y: 0 },
    { x: a / 2, y: l },
    { x: a / 2 + e, y: l },
    { x: topMm / 2, y: l + r },
    { x: -topMm / 2, y: l + r },
    { x: -a / 2 - e, y: l },
    { x: -a / 2, y: l },
  ],
});
