import { type Check, choice, count, length, type ParamsOf, setting } from '../../document';
import { type Stick, gridOf, type Join, type Panel, sizeOf } from '../../panel';
import { trimNumber } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { GLUE_LINE_MM, laminate, stackMm } from '../held/laminate';
import { rectangle } from '../held/outlines';
import { wallCheck } from '../held/seat';
import { wound } from './wrap';

const layered = (params: object): boolean => (params as { make?: string }).make === 'layers';
const wrapped = (params: object): boolean => (params as { wrap?: string }).wrap !== 'none';

const fields = [
  choice(
    'make',
    'Made',
    [
      ['layers', 'of flat layers, carved oval'],
      ['rolled', 'rolled round the stick'],
    ],
    'Layers with a channel, or each sheet rolled over the one before.',
    'Size',
  ),
  length('lengthMm', 'Length', [40, 900], 'End to end.', 'Size'),
  length('widthMm', 'Width', [15, 120], 'Across the layers, once carved.', 'Size', {
    when: layered,
    gives: [{ need: 'room', by: 2 }],
  }),
  length('boreMm', 'Bore', [0, 110], 'When no stick passes: hollow of this across; 0 is solid.', 'Size'),
  count('hands', 'Hands', [1, 2], 'That hold it at once.', 'Hold'),
  choice(
    'wrap',
    'Wrapped in',
    [
      ['none', 'nothing'],
      ['cord', 'cord'],
      ['leather', 'leather strip'],
      ['tape', 'cloth tape'],
    ],
    'Wound round the finished grip.',
    'Wrap',
  ),
  length('stripMm', 'Strip width', [2, 60], 'Of cord, strip or tape.', 'Wrap', { when: wrapped }),
  length('stripThickMm', 'Strip thickness', [0.1, 8], 'Pressed.', 'Wrap', { when: wrapped }),
  count('overlapPct', 'Overlap, %', [0, 75], 'Of its width over the turn before.', 'Wrap', { when: wrapped }),
] as const;

export type GripParams = ParamsOf<typeof fields>;

/** A power grip is comfortable from 30 to 45 mm across and hard to close above 50; from memory. */
const COMFORT_MM: readonly [number, number] = [30, 45];
const CLOSES_MM = 50;
/** The best is about the hand's length over this; from memory. */
const HAND_SHARE = 4.5;
/** Breadth of the fist as a share of the hand's length, and what is left free at either end, mm; from memory. */
const FIST_SHARE = 0.5;
const FREE_MM = 5;
const WALL_MM = 3;

const wrapWords = { cord: 'cord', leather: 'leather strip', tape: 'cloth tape', none: '' } as const;
const wrapPricePerM = { cord: 0.5, leather: 2.5, tape: 0.3, none: 0 } as const;
const wrapGPerM = { cord: 6, leather: 14, tape: 5, none: 0 } as const;

/** Sheets rolled one over the other round a hollow, each a closed ring with its seam behind. */
function rolled(
  stack: FormInput<GripParams>['stack'],
  innerMm: number,
  lengthMm: number,
): {
  panels: Panel[];
  joins: Join[];
  outsideMm: number;
} {
  let r = innerMm / 2;
  const panels: Panel[] = [];
  const joins: Join[] = [];
  stack.forEach(({ ply, foam }, i) => {
    const at = r;
    const id = stack.length === 1 ? 'sleeve' : `sleeve-${i + 1}`;
    panels.push({
      id,
      name: stack.length === 1 ? 'sleeve' : `sleeve ${i + 1}`,
      grid: gridOf(48, 3, (u, v) => {
        // Seams stand a quarter turn apart, so that they do not lie on each other.
        const t = -Math.PI / 2 + (i * Math.PI) / 2 + u * 2 * Math.PI;
        return { x: at * Math.cos(t), y: at * Math.sin(t), z: lengthMm * (v - 0.5) };
      }),
      edges: { bottom: 'lower end', right: 'seam', top: 'upper end', left: 'seam' },
      ply,
    });
    joins.push({ a: [id, 'right'], b: [id, 'left'], kind: 'seam' });
    r += foam.thicknessMm.value + GLUE_LINE_MM;
  });
  return { panels, joins, outsideMm: 2 * (r - GLUE_LINE_MM) };
}

function design({ params, stack, through, body }: FormInput<GripParams>): Design {
  const total = stackMm(stack);
  // Over a coupler the grip is bored for the coupler.
  const stick = through
    .filter((c) => c.from.z < params.lengthMm / 2 && c.to.z > -params.lengthMm / 2)
    .reduce<Stick | undefined>(
      (a, b) => (a && sizeOf(a.section)[0] >= sizeOf(b.section)[0] ? a : b),
      undefined,
    );
  const coreMm = stick ? Math.max(...sizeOf(stick.section)) : 0;
  const innerMm = stick ? coreMm : params.boreMm;
  const isLayered = params.make === 'layers';
  const sleeve = isLayered ? undefined : rolled(stack, Math.max(innerMm, 6), params.lengthMm);
  const panels =
    sleeve?.panels ??
    laminate({
      id: 'grip',
      outline: rectangle({ x: 0, y: 0 }, params.widthMm, params.lengthMm),
      stack,
      through: stick ? [stick] : [],
    });
  const [wide, deep] = sleeve ? [sleeve.outsideMm, sleeve.outsideMm] : [params.widthMm, total];
  const strip = params.wrap === 'none' ? 0 : params.stripThickMm;
  // An oval's girth is taken as that of the ellipse with the same axes (Ramanujan, 1914).
  const [a, b] = [wide / 2 + strip, deep / 2 + strip];
  const girthMm = Math.PI * (3 * (a + b) - Math.sqrt((3 * a + b) * (a + 3 * b)));
  const acrossMm = girthMm / Math.PI;
  const best = body.handLength.valueMm / HAND_SHARE;
  const needMm = params.hands * FIST_SHARE * body.handLength.valueMm + 2 * FREE_MM;
  const checks: Check[] = [];
  if (acrossMm > CLOSES_MM || acrossMm > COMFORT_MM[1] || acrossMm < COMFORT_MM[0]) {
    const thick = acrossMm > COMFORT_MM[1];
    const leastMm = coreMm + 2 * (strip + WALL_MM);
    const only =
      thick && stick && leastMm > COMFORT_MM[1]
        ? ` ${stick.name} alone with its wrap is ${trimNumber(coreMm + 2 * strip, 0)} mm: it leaves no room for a grip the hand can close on.`
        : '';
    checks.push({
      id: 'hand-closes',
      severity: acrossMm > CLOSES_MM ? 'stop' : 'mind',
      station: 'shape',
      title: `the grip is ${trimNumber(acrossMm, 0)} mm across with its wrap; this hand is happiest with about ${trimNumber(best, 0)} mm.${only}`,
      why: `Comfortable from ${COMFORT_MM[0]} to ${COMFORT_MM[1]} mm; above ${CLOSES_MM} mm most hands do not close.`,
      provenance: 'memory',
      excess: thick ? acrossMm - COMFORT_MM[1] : COMFORT_MM[0] - acrossMm,
      remedies: isLayered
        ? [
            setting(`${Math.round(Math.max(15, 2 * best - deep - 4 * strip))} mm wide`, {
              widthMm: Math.round(Math.max(15, 2 * best - deep - 4 * strip)),
            }),
          ]
        : [],
    });
  }
  if (params.lengthMm < needMm)
    checks.push({
      id: 'finger-room',
      severity: 'mind',
      station: 'shape',
      title: `${params.hands === 2 ? 'two hands need' : 'the hand needs'} ${trimNumber(needMm, 0)} mm, the grip is ${trimNumber(params.lengthMm, 0)} mm long.`,
      why: 'Reckoned from the length of the hand; gloves want more.',
      provenance: 'memory',
      excess: needMm - params.lengthMm,
      remedies: [setting(`${Math.ceil(needMm)} mm long`, { lengthMm: Math.min(900, Math.ceil(needMm)) })],
    });
  if (stick && isLayered)
    checks.push(...wallCheck('grip-wall', stick.name, (Math.min(wide, deep) - coreMm) / 2, WALL_MM));
  const wind = wound(girthMm, params.lengthMm, params.stripMm, params.overlapPct / 100);
  const isWrapped = params.wrap !== 'none';
  return {
    panels,
    joins: sleeve?.joins ?? [],
    roomMm: 0,
    measures: ['handLength'],
    rooms:
      !stick && params.boreMm > 0 && sleeve
        ? [
            boreRoom(
              'bore',
              'hollow of the grip',
              params.boreMm,
              { x: 0, y: 0, z: -params.lengthMm / 2 },
              params.lengthMm,
            ),
          ]
        : [],
    figures: [
      { key: 'across', label: 'across, wrapped', value: acrossMm, unit: 'mm', decimals: 1 },
      ...(isWrapped
        ? [
            { key: 'turns', label: 'turns of wrap', value: wind.turns, unit: '' as const, decimals: 1 },
            {
              key: 'wrap',
              label: `${wrapWords[params.wrap]} to buy`,
              value: wind.lengthMm,
              unit: 'mm' as const,
              decimals: 0,
            },
          ]
        : []),
    ],
    checks,
    bought: isWrapped
      ? [
          {
            what: wrapWords[params.wrap],
            unit: 'm',
            count: Math.ceil(wind.lengthMm / 100) / 10,
            each: wrapPricePerM[params.wrap],
            massG: (wind.lengthMm / 1000) * wrapGPerM[params.wrap],
            provenance: 'memory',
          },
        ]
      : [],
    work: [
      ...(isLayered
        ? [
            {
              step: 'carve',
              when: 'formed' as const,
              verb: 'carve',
              what: 'grip oval',
              count: 1,
              eachMin: 25,
              detail: `Round the corners with a knife, then a sanding drum, to ${trimNumber(wide, 0)} × ${trimNumber(deep, 0)} mm; try it in the hand often.`,
              cautions: ['blade' as const, 'dust' as const],
              waitMin: 0,
            },
          ]
        : []),
      ...(isWrapped
        ? [
            {
              step: 'wrap',
              when: 'painted' as const,
              verb: 'wrap',
              what: `grip in ${wrapWords[params.wrap]}`,
              count: 1,
              eachMin: 20,
              detail: `${trimNumber(wind.turns, 0)} turns from the foot up, ends tucked under and glued.`,
              cautions: [],
              waitMin: 0,
            },
          ]
        : []),
    ],
  };
}

export const grip = defineForm<GripParams>({
  kind: 'grip',
  label: 'Grip',
  summary: 'Laminated and carved, or rolled round the stick, then wrapped.',
  zones: [],
  rides: { anchor: 'hand', alongMm: 0 },
  fields,
  developable: true,
  sheets: 'layers',
  startStack: [{ foamId: 'dense-eva', nominalMm: 4 }],
  defaults: (body) => ({
    make: 'rolled',
    lengthMm: Math.ceil((0.5 * body.handLength.valueMm + 20) / 5) * 5,
    widthMm: 38,
    boreMm: 0,
    hands: 1,
    wrap: 'cord',
    stripMm: 4,
    stripThickMm: 2,
    overlapPct: 0,
  }),
  design,
  silhouette: ({ lengthMm, make, widthMm }) => {
    const w = make === 'layers' ? widthMm : 36;
    return rectangle({ x: 0, y: 0 }, w, lengthMm);
  },
});
