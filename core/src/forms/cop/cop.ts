import type { Body } from '../../body/estimate';
import { limbLengthMm } from '../../body/sections';
import type { FormInput, FormKind, FormParams, Zone } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { angle, choice, length } from '../draped/fields';
import { gridOf } from '../draped/grids';
import type { Vec3 } from '../../geometry/vec';
import type { Panel } from '../draped/panel';

interface CopParams extends FormParams {
  heightMm: number;
  domeMm: number;
  wrapDeg: number;
  wingMm: number;
  paddingMm: number;
  halves: number;
}

/** A domed plate over a bent joint, its sides drawn out to wings. */
function cop(kind: string, label: string, zone: Zone, girth: (body: Body) => number): FormKind<FormParams> {
  const design = (input: FormInput<CopParams>): Design => {
    const { params, body, underLayerMm } = input;
    const out = underLayerMm + params.paddingMm + 6;
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
      roomMm: out - underLayerMm,
      figures: [{ label: 'height', value: params.heightMm, unit: 'mm', decimals: 0 }],
    };
  };
  return drapedKind<CopParams>({
    kind,
    label,
    zone,
    summary: 'A dome over the bent joint with wings to the sides.',
    fields: [
      length('heightMm', 'Height', [60, 300], 'From lower to upper edge over the joint.'),
      length('domeMm', 'Dome', [0, 80], 'How far the middle stands out beyond round.'),
      angle('wrapDeg', 'Reach to each side', [40, 110], 'How far round the joint it goes.'),
      length('wingMm', 'Wing height', [20, 200], 'Height of the piece at its sides.'),
      length('paddingMm', 'Padding', [0, 20], 'Foam between clothing and shell.', 'Room'),
      choice(
        'halves',
        'Division',
        [
          [1, 'one piece, darted'],
          [2, 'two halves, ridge seam'],
        ],
        'A ridge seam takes up the curve.',
        'Division',
      ),
    ],
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
    grips: [
      { key: 'heightMm', label: 'Height', panel: 'a', at: [0.5, 1] },
      { key: 'domeMm', label: 'Dome', panel: 'a', at: [0.5, 0.5] },
      { key: 'wrapDeg', label: 'Reach to the side', panel: 'a', at: [0, 0.5] },
    ],
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

export const elbowCop = cop('elbow-cop', 'Elbow cop', 'elbow', (body) => body.elbowBentGirth.valueMm);
export const kneeCop = cop('knee-cop', 'Knee cop', 'knee', (body) =>
  Math.max(body.kneeGirth.valueMm, limbLengthMm(body, 'lowerLeg') * 0.6),
);
