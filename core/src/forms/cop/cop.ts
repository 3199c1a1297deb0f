import { type Body, limbLengthMm, type MeasureKey, type Zone } from '../../body';
import { angle, choice, length, type ParamsOf } from '../../document';
import { defineForm, type Design, type Fastening, type FormInput, type FormKind } from '../contract';
import { roundLimb } from '../straps';
import { gridOf, type Panel } from '../../panel';
import type { Vec3 } from '../../geometry';

const fields = [
  length('heightMm', 'Height', [60, 300], 'From lower to upper edge over the joint.'),
  length('domeMm', 'Dome', [0, 80], 'How far the middle stands out beyond round.'),
  angle('wrapDeg', 'Reach to each side', [40, 110], 'How far round the joint it goes.'),
  length('wingMm', 'Wing height', [20, 200], 'Height of the piece at its sides.'),
  length('paddingMm', 'Padding', [0, 20], 'Foam between clothing and shell.', 'Room', {
    gives: [{ need: 'room', by: 1 }],
  }),
  choice(
    'halves',
    'Division',
    [
      [1, 'one piece, darted'],
      [2, 'two halves, ridge seam'],
    ],
    'A ridge seam takes up the curve.',
    'Division',
    { gives: [{ need: 'split', by: 1 }] },
  ),
] as const;

type CopParams = ParamsOf<typeof fields>;

/** A domed plate over a bent joint, its sides drawn out to wings. */
function cop(
  kind: string,
  label: string,
  zone: Zone,
  girth: (body: Body) => number,
  measures: MeasureKey[],
  straps: (body: Body, underLayerMm: number) => Fastening[],
): FormKind {
  const design = (input: FormInput<CopParams>): Design => {
    const { params, body, underLayerMm, liningMm } = input;
    const out = underLayerMm + liningMm + params.paddingMm + 6;
    const radius = girth(body) / (2 * Math.PI) + out;
    /** A tube that clears the limb above and below, swelling over the joint; wings are lower than the middle. */
    const at = (turn: number, v: number): Vec3 => {
      const away = Math.abs(turn) / params.wrapDeg;
      const wing = 1 - away * away * (1 - Math.min(1, params.wingMm / params.heightMm));
      const swell = params.domeMm * Math.cos(Math.PI * (v - 0.5) * 0.96) * (1 - 0.4 * away * away);
      const az = (turn * Math.PI) / 180;
      return {
        x: (radius + swell) * Math.cos(az),
        y: (radius + 0.5 * swell) * Math.sin(az),
        z: params.heightMm * (v - 0.5) * wing,
      };
    };
    const panel = (id: string, name: string, from: number, to: number): Panel => ({
      id,
      name,
      grid: gridOf(params.halves === 2 ? 8 : 14, 12, (u, v) => at(from + (to - from) * u, v)),
      edges: {
        bottom: 'lower edge',
        right: to === 0 ? 'ridge' : 'wing',
        top: 'upper edge',
        left: from === 0 ? 'ridge' : 'wing',
      },
    });
    const w = params.wrapDeg;
    const panels =
      params.halves === 2
        ? [panel('a', 'inner half', -w, 0), { ...panel('b', 'outer half', 0, w), mirrorOf: 'a' }]
        : [panel('a', 'cop', -w, w)];
    return {
      panels,
      joins: params.halves === 2 ? [{ a: ['a', 'right'], b: ['b', 'left'], kind: 'seam' }] : [],
      roomMm: params.paddingMm + 6,
      padded: params.paddingMm > 0,
      measures,
      fastenings: straps(body, underLayerMm),
      figures: [{ key: 'height', label: 'height', value: params.heightMm, unit: 'mm', decimals: 0 }],
    };
  };
  return defineForm<CopParams>({
    kind,
    label,
    zones: [zone],
    summary: 'A dome over the bent joint with wings to the sides.',
    fields,
    defaults: (body) => {
      const height = Math.round(girth(body) * 0.42);
      return {
        heightMm: height,
        domeMm: 12,
        wrapDeg: 80,
        wingMm: Math.round(height * 0.5),
        paddingMm: 5,
        halves: 1,
      };
    },
    design,
    silhouette: ({ heightMm, wingMm }) => [
      { x: -60, y: -wingMm / 2 },
      { x: 0, y: -heightMm / 2 },
      { x: 60, y: -wingMm / 2 },
      { x: 60, y: wingMm / 2 },
      { x: 0, y: heightMm / 2 },
      { x: -60, y: wingMm / 2 },
    ],
  });
}

export const elbowCop = cop(
  'elbow-cop',
  'Elbow cop',
  'elbow',
  (body) => body.elbowBentGirth.valueMm,
  ['elbowBentGirth'],
  (body, under) => [roundLimb(body.elbowBentGirth.valueMm, under, 'round the inside of the elbow')],
);
export const kneeCop = cop(
  'knee-cop',
  'Knee cop',
  'knee',
  (body) => Math.max(body.kneeGirth.valueMm, limbLengthMm(body, 'lowerLeg') * 0.6),
  ['kneeGirth'],
  (body, under) => [
    roundLimb(body.kneeGirth.valueMm, under, 'above the knee'),
    roundLimb(body.calfGirth.valueMm, under, 'below the knee'),
  ],
);
