import { headForm, skinAt } from '../../body';
import { angle, choice, length, type ParamsOf, setting } from '../../document';
import { gridOf, type Panel } from '../../panel';
import { trimNumber } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';

const fields = [
  angle('widthDeg', 'Reach to each side', [40, 95], '90° reaches the ears.'),
  length('topMm', 'Below the eyes', [5, 60], 'Where the upper edge lies.'),
  length('heightMm', 'Height', [50, 180], 'Down to the chin edge.'),
  length('forwardMm', 'Ridge', [0, 80], 'How far the middle is drawn forward.'),
  length('paddingMm', 'Padding', [3, 20], 'Between face and foam.', 'Room', {
    gives: [{ need: 'room', by: 1 }],
  }),
  choice(
    'halves',
    'Division',
    [
      [1, 'one piece, darted'],
      [2, 'two halves, ridge seam'],
    ],
    'A ridge wants a seam.',
    'Division',
    { gives: [{ need: 'split', by: 1 }] },
  ),
  choice(
    'breath',
    'Air',
    [
      ['holes', 'openings cut'],
      ['none', 'none'],
    ],
    'Openings at nose and mouth.',
    'Safety',
  ),
] as const;

type MaskParams = ParamsOf<typeof fields>;

/** Two openings each side of the middle, near nose and mouth; fractions of a panel that spans −1…1 from `from` to `to`. */
const airHoles = (from: number, to: number): NonNullable<Panel['holes']> =>
  [-0.26, -0.14, 0.14, 0.26]
    .filter((t) => t > from && t < to)
    .map((t) => ({ at: [(t - from) / (to - from), 0.42], diameterMm: 9, kind: 'air' }));

/** Below this the chin turns in under the mask; a share of the head's half height. */
const LOWEST = -0.92;

/** The lower face as a drawn-out ellipse at each height; cheeks come from the measured head. */
function design({ params, body, underLayerMm, liningMm }: FormInput<MaskParams>): Design {
  const head = headForm(body);
  const out = underLayerMm + liningMm + params.paddingMm;
  const topZ = head.eyeZ - params.topMm;
  const panel = (id: string, name: string, from: number, to: number): Panel => ({
    id,
    name,
    grid: gridOf(params.halves === 2 ? 8 : 14, 10, (u, v) => {
      const t = from + (to - from) * u;
      const z = topZ - params.heightMm * (1 - v) * (1 - 0.35 * t * t);
      const az = ((90 + t * params.widthDeg) * Math.PI) / 180;
      // The skin of the face without its nose, from which the ridge rises.
      const skin = skinAt({ ...head, noseOutMm: 0 }, az, Math.max(LOWEST, (z - head.middle.z) / head.up));
      const ridge = params.forwardMm * Math.max(0, 1 - Math.abs(t) / 0.5) * (0.4 + 0.6 * v);
      return {
        x: skin.x + out * Math.cos(az),
        y: skin.y + (out + ridge) * Math.sin(az),
        z,
      };
    }),
    holes: params.breath === 'holes' ? airHoles(from, to) : [],
    edges: {
      bottom: 'chin edge',
      right: to === 0 ? 'ridge' : 'ear edge',
      top: 'cheek edge',
      left: from === 0 ? 'ridge' : 'ear edge',
    },
  });
  const panels =
    params.halves === 2
      ? [panel('a', 'right half', -1, 0), { ...panel('b', 'left half', 0, 1), mirrorOf: 'a' }]
      : [panel('a', 'mask', -1, 1)];
  return {
    panels,
    joins: params.halves === 2 ? [{ a: ['a', 'right'], b: ['b', 'left'], kind: 'seam' }] : [],
    roomMm: params.paddingMm,
    padded: true,
    measures: ['headBreadth', 'headHeight', 'noseOut', 'eyeDepth'],
    closure: 'elastic',
    fastenings: [
      {
        closure: 'elastic',
        where: 'round the back of the head',
        count: 1,
        lengthMm: body.headGirth.valueMm * 0.6,
        overlapMm: 0,
      },
    ],
    figures: [
      { key: 'cheeks', label: 'across the cheeks', value: 2 * (head.side + out), unit: 'mm', decimals: 0 },
    ],
    checks:
      params.breath === 'none'
        ? [
            {
              id: 'breath',
              severity: 'stop',
              station: 'shape',
              title: `covers mouth and nose over ${trimNumber(params.heightMm, 0)} mm with no air opening.`,
              why: 'Breathing comes first.',
              provenance: 'practice',
              excess: 1,
              remedies: [setting('Air openings', { breath: 'holes' })],
            },
          ]
        : [],
  };
}

export const halfMask = defineForm<MaskParams>({
  kind: 'half-mask',
  label: 'Half mask',
  zones: ['head'],
  summary: 'Over nose and mouth, as wide as the measured head.',
  fields,
  defaults: (body) => ({
    widthDeg: 82,
    topMm: 18,
    heightMm: Math.round(body.headHeight.valueMm * 0.37),
    forwardMm: Math.min(80, Math.round(body.noseOut.valueMm * 1.1 + 4)),
    paddingMm: 6,
    halves: 2,
    breath: 'holes',
  }),
  design,
  silhouette: ({ heightMm }) => [
    { x: -75, y: 0 },
    { x: -60, y: -heightMm * 0.7 },
    { x: 0, y: -heightMm },
    { x: 60, y: -heightMm * 0.7 },
    { x: 75, y: 0 },
    { x: 0, y: 12 },
  ],
});
