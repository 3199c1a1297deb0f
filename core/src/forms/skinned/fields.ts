import type { Body } from '../../body';
import { BELOW_EYES_MM } from './stands';
import { angle, choice, count, length, number, type Params, type ParamsOf, rows } from '../../document';

/** The made-up mask that stands in until a surface is read. */
export const STAND_IN = 'gull-mask';

const spot = (help: string) =>
  [
    length('xMm', 'Right', [-1500, 1500], help),
    length('yMm', 'Ahead', [-1500, 1500], 'Of the middle.'),
    length('zMm', 'Up', [-1500, 3000], 'Over the lower edge.'),
  ] as const;

/** From where to where it is widened is asked once it is. */
const widened = ({ widenMm }: Params): boolean => widenMm !== 0;

const lines = rows(
  'lines',
  'Drawn seams',
  [
    count('line', 'Line', [1, 20], 'Spots of one line are joined by the shortest ways along the surface.'),
    ...spot('A spot on the surface: to the right of the middle, at the size in the file.'),
  ],
  [0, 200],
  (before) => ({
    line: Number(before.at(-1)?.line) || 1,
    xMm: Number(before.at(-1)?.xMm) || 0,
    yMm: Number(before.at(-1)?.yMm) || 0,
    zMm: (Number(before.at(-1)?.zMm) || 0) + 20,
  }),
  'spot',
  'From rim to rim, or back to their first spot; they part the surface before the cuts do.',
);

const facing = [
  angle('turnDeg', 'Faces', [-180, 180], 'Which way the cut faces: 0 to the right, 90 ahead.'),
  angle('tiltDeg', 'Tilts', [-90, 90], 'How far it faces up: 90 cuts level.'),
] as const;

const cuts = rows(
  'cuts',
  'Seams',
  [
    ...spot('A spot on the piece that is cut: to the right of the middle, at the size in the file.'),
    ...facing,
    choice(
      'of',
      'Cuts',
      [
        ['piece', 'this piece'],
        ['all', 'everything'],
      ],
      'The piece the spot is on, or all there is.',
    ),
  ],
  [0, 60],
  (before) => ({
    xMm: Number(before.at(-1)?.xMm) || 0,
    yMm: Number(before.at(-1)?.yMm) || 0,
    zMm: (Number(before.at(-1)?.zMm) || 40) + 20,
    turnDeg: 0,
    tiltDeg: 90,
    of: 'piece',
  }),
  'cut',
  'Straight cuts that part the surface into pieces, one after another.',
);

const apart = rows(
  'apart',
  'Comes apart',
  [
    ...spot('A spot the cut goes through: to the right of the middle, at the size in the file.'),
    ...facing,
    choice(
      'keep',
      'This part is',
      [
        ['over', 'what lies before it'],
        ['under', 'what lies behind it'],
      ],
      'Before: on the side the cut faces. The rest may be a part of its own.',
    ),
  ],
  [0, 6],
  (before) => ({
    xMm: 0,
    yMm: 0,
    zMm: (Number(before.at(-1)?.zMm) || 60) + 20,
    turnDeg: 0,
    tiltDeg: 90,
    keep: 'over',
  }),
  'parting',
  'Straight cuts, such as a jaw from a skull, that leave the rest to other parts.',
);

const isNets = (params: object): boolean => (params as { madeAs?: string }).madeAs === 'nets';

/** Which surface, as large as what, and where it stands. */
export const surfaceFields = [
  choice('mesh', 'Surface', [[STAND_IN, 'gull mask (made up)']], 'What it is skinned over.', 'Surface', {
    open: true,
    surfaces: true,
  }),
  number('scalePct', 'Size', [10, 2000], '%', 'Of the size in the file.', 'Surface', {
    gives: [{ need: 'room', by: 1 }],
  }),
  choice(
    'face',
    'The surface is',
    [
      ['inner', 'the inner face'],
      ['outer', 'the outer face'],
    ],
    'Of the foam: drawn over a head it is the inner one, a model of what is seen the outer.',
    'Surface',
  ),
  angle('turnDeg', 'Turned', [-180, 180], 'About the upright.', 'Surface'),
  angle(
    'nodDeg',
    'Tilted forwards',
    [-180, 180],
    'Back where it is below nought; 90 stands up what lies.',
    'Surface',
  ),
  length('aheadMm', 'Ahead', [-500, 500], 'Of where it stands.', 'Surface'),
  length('upMm', 'Up', [-500, 500], 'Of where it stands.', 'Surface'),
  length('widenMm', 'Widen', [0, 60], 'Each side drawn apart by so much, between two heights.', 'Surface', {
    gives: [{ need: 'room', by: 1 }],
  }),
  length('widenFromMm', 'Widened from', [0, 1500], 'Height over the lower edge.', 'Surface', {
    when: widened,
  }),
  length('widenToMm', 'Widened to', [0, 1500], 'Height over the lower edge.', 'Surface', { when: widened }),
  apart,
] as const;

/** Where it is parted. */
export const seamFields = [
  count('most', 'Pieces at most', [1, 40], 'That seams are proposed for.', 'Seams'),
  cuts,
  choice(
    'bothSides',
    'Drawn seams',
    [
      ['no', 'where they are drawn'],
      ['yes', 'on both sides alike'],
    ],
    'The other side is the mirror image about the middle.',
    'Seams',
  ),
  lines,
] as const;

/** Fields of every part that is skinned over a surface; where it stands is the form's own. */
export const skinFields = [
  ...surfaceFields,
  choice(
    'madeAs',
    'Made of',
    [
      ['curved', 'curved pieces between seams'],
      ['nets', 'flat facets folded from nets'],
    ],
    'Low-polygon models keep their facets: folds are grooved, cut edges bevelled.',
    'Seams',
  ),
  length('netMm', 'Nets at most', [40, 2000], 'Either way.', 'Seams', { when: isNets }),
  ...seamFields,
] as const;

export type SkinParams = Omit<ParamsOf<typeof skinFields>, 'mesh'> & { mesh: string };

/** The stand-in takes a head of these sizes at 126 %, its shell round a spot so far behind the middle of its box, mm. */
const TAKES = { headGirth: 568, headBreadth: 150, headLength: 194, headHeight: 224 } as const;
const TAKES_PCT = 126;
const BEHIND_MM = 68;
/** So far over its lower edge it has its eyes, mm. */
const EYES_MM = 86;

/** The stand-in as large as a head needs. */
export function headDefaults(body: Body): SkinParams {
  const share = Math.max(
    ...(Object.keys(TAKES) as (keyof typeof TAKES)[]).map((key) => body[key].valueMm / TAKES[key]),
  );
  const scalePct = Math.ceil(TAKES_PCT * share);
  const sized = (mm: number): number => Math.round((mm * scalePct) / 100);
  return {
    ...skinDefaults(),
    scalePct,
    aheadMm: sized(BEHIND_MM),
    upMm: BELOW_EYES_MM - sized(EYES_MM),
  };
}

/** What a part over a surface begins with, however its pieces are made. */
export const surfaceDefaults = (): Omit<SkinParams, 'madeAs' | 'netMm'> => ({
  bothSides: 'yes',
  lines: [],
  apart: [],
  mesh: STAND_IN,
  scalePct: 100,
  face: 'inner',
  turnDeg: 0,
  nodDeg: 0,
  aheadMm: 0,
  upMm: 0,
  widenMm: 0,
  widenFromMm: 40,
  widenToMm: 160,
  most: 12,
  cuts: [
    { xMm: 0, yMm: 0, zMm: 0, turnDeg: 0, tiltDeg: 0, of: 'all' },
    { xMm: 60, yMm: 0, zMm: 120, turnDeg: 0, tiltDeg: 90, of: 'all' },
  ],
});

export const skinDefaults = (): SkinParams => ({ ...surfaceDefaults(), madeAs: 'curved', netMm: 500 });

/** The same surface with the other side of its last parting; nothing when it does not come apart. */
export function otherHalf({ apart }: Pick<SkinParams, 'apart'>): SkinParams['apart'] | undefined {
  const last = apart.at(-1);
  return last && [...apart.slice(0, -1), { ...last, keep: last.keep === 'over' ? 'under' : 'over' }];
}
