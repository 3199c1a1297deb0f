import { levels, torsoSection } from '../../body/sections';
import type { Body } from '../../body/estimate';
import { trimNumber } from '../../units/length';
import type { FormCheck, FormInput, FormKind, FormParams } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { angle, choice, length } from '../draped/fields';
import { gridOf, onSlice } from '../draped/grids';
import type { Join, Panel } from '../draped/panel';

interface PlateParams extends FormParams {
  belowWaistMm: number;
  topMm: number;
  sideDeg: number;
  paddingMm: number;
  ridgeMm: number;
  halves: number;
  neckScoopMm: number;
  armScoopMm: number;
  seamDeg: number;
  sides: string;
}

/** A plate over the front or the back of the trunk, from its measured slices. */
function plate(kind: string, label: string, summary: string, middleDeg: 90 | 270): FormKind<FormParams> {
  const front = middleDeg === 90;
  const design = ({ params, body, underLayerMm }: FormInput<PlateParams>): Design => {
    const at = levels(body);
    const out = underLayerMm + params.paddingMm;
    const bottom = at.waist - params.belowWaistMm;
    const top = at.neckBase - params.topMm;
    /** Upper edge: scooped at the neck in the middle, cut away for the arms at the sides. */
    const upper = (away: number): number => {
      const neck = params.neckScoopMm * Math.max(0, 1 - away / 0.45) ** 1.5;
      const arm = away > 0.55 ? params.armScoopMm * ((away - 0.55) / 0.45) ** 1.3 : 0;
      return top - neck - arm;
    };
    const panel = (id: string, name: string, from: number, to: number): Panel => ({
      id,
      name,
      grid: gridOf(params.halves === 1 ? 16 : 9, 14, (u, v) => {
        const t = from + (to - from) * u;
        const away = Math.abs(t);
        const z = bottom + (upper(away) - bottom) * v;
        const section = torsoSection(body, z);
        const ridge =
          params.ridgeMm * Math.max(0, 1 - away / 0.5) * Math.sin(Math.PI * Math.min(1, 0.15 + v * 0.85));
        return onSlice(
          { ...section, x: 0, y: section.forwardMm, z },
          middleDeg + t * params.sideDeg,
          out + ridge,
        );
      }),
      edges: {
        bottom: 'waist edge',
        right: to === 0 ? 'centre' : to === 1 ? 'side' : 'seam',
        top: 'neck and arm edge',
        left: from === 0 ? 'centre' : from === -1 ? 'side' : 'seam',
      },
    });
    const cut = Math.min(0.92, Math.max(0.12, params.seamDeg / params.sideDeg));
    const [near, far] = front ? ['right', 'left'] : ['left', 'right'];
    const { panels, joins } = divided();
    const checks: FormCheck[] = [];
    const width =
      2 *
      Math.abs(
        onSlice({ ...torsoSection(body, at.chest), x: 0, y: 0, z: 0 }, middleDeg + params.sideDeg * 0.55, out)
          .x,
      );
    const across = front ? body.acrossChest.valueMm : body.acrossBack.valueMm;
    if (width > across + 60) {
      checks.push({
        id: 'arms',
        severity: 'mind',
        title: `stands ${trimNumber(width, 0)} mm wide between the arms; across the ${front ? 'chest' : 'back'} is ${trimNumber(across, 0)} mm.`,
        why: 'The arms cannot come forward past a plate wider than the body there.',
        sure: 'memory',
        cures:
          params.armScoopMm < 180
            ? [
                {
                  label: `Arm scoop ${Math.min(200, params.armScoopMm + 40)} mm`,
                  set: {
                    armScoopMm: Math.min(200, params.armScoopMm + 40),
                    sideDeg: Math.max(50, params.sideDeg - 8),
                  },
                },
              ]
            : [],
      });
    }
    if (params.belowWaistMm > 45) {
      checks.push({
        id: 'bend',
        severity: 'mind',
        title: `reaches ${trimNumber(params.belowWaistMm, 0)} mm below the waist; sitting and bending push it into the throat.`,
        why: 'A stiff plate ends where the body bends.',
        sure: 'practice',
        cures: [{ label: 'End 20 mm below the waist', set: { belowWaistMm: 20 } }],
      });
    }
    return {
      panels,
      joins,
      checks,
      roomMm: params.paddingMm,
      figures: [
        { label: 'height in the middle', value: upper(0) - bottom, unit: 'mm', decimals: 0 },
        { label: 'width between arms', value: width, unit: 'mm', decimals: 0 },
      ],
    };

    /** Panels and their seams: one plate, halves, or halves with a seam between centre and side. */
    function divided(): { panels: Panel[]; joins: Join[] } {
      const centre: Join = { a: ['a', 'right'], b: ['b', 'left'], kind: 'seam' };
      if (params.halves === 1) return { panels: [panel('a', 'plate', -1, 1)], joins: [] };
      const halves = params.halves === 4 ? cut : 1;
      const panels = [
        panel('a', params.halves === 4 ? `${near} centre` : `${near} half`, -halves, 0),
        { ...panel('b', params.halves === 4 ? `${far} centre` : `${far} half`, 0, halves), mirrorOf: 'a' },
      ];
      if (params.halves === 2) return { panels, joins: [centre] };
      return {
        panels: [
          ...panels,
          panel('c', `${near} side`, -1, -cut),
          { ...panel('d', `${far} side`, cut, 1), mirrorOf: 'c' },
        ],
        joins: [
          centre,
          { a: ['c', 'right'], b: ['a', 'left'], kind: 'seam' },
          { a: ['b', 'right'], b: ['d', 'left'], kind: 'seam' },
        ],
      };
    }
  };
  return drapedKind<PlateParams>({
    kind,
    label,
    zone: 'torso',
    summary,
    fields: [
      length(
        'topMm',
        'Top below the neck',
        [0, 160],
        'From the base of the neck down to the highest point at the shoulders.',
      ),
      length('belowWaistMm', 'Below the waist', [-80, 160], 'How far the lower edge reaches past the waist.'),
      angle('sideDeg', 'Reach to each side', [40, 95], '90° meets the other plate at the sides.'),
      length('neckScoopMm', 'Neck scoop', [0, 200], 'Depth of the cut-out in the middle.'),
      length('armScoopMm', 'Arm scoop', [0, 200], 'Depth of the cut-away for the arms.'),
      length(
        'ridgeMm',
        front ? 'Centre ridge' : 'Centre fullness',
        [0, 60],
        'How far the middle stands out.',
      ),
      length('paddingMm', 'Padding', [0, 30], 'Foam between clothing and shell.', 'Room'),
      choice(
        'halves',
        'Division',
        [
          [1, 'one piece'],
          [2, 'two halves, centre seam'],
          [4, 'centres and sides, three seams'],
        ],
        'A centre seam takes up the ridge; seams over the bust take up its volume.',
        'Division',
      ),
      {
        ...choice<PlateParams>(
          'sides',
          'Sides',
          [
            ['strapped', 'open, strapped'],
            ['laced', 'open, laced'],
          ],
          'How the plates are drawn together under the arms.',
          'Closure',
        ),
        absent: 'strapped',
      },
      {
        ...angle(
          'seamDeg',
          'Side seam',
          [12, 80],
          'How far from the middle the seam between centre and side runs.',
          'Division',
        ),
        absent: 42,
      },
    ],
    defaults: () => ({
      belowWaistMm: -15,
      topMm: front ? 55 : 50,
      sideDeg: 80,
      paddingMm: 10,
      ridgeMm: front ? 20 : 5,
      halves: 2,
      neckScoopMm: front ? 60 : 25,
      armScoopMm: 120,
      seamDeg: 42,
      sides: 'strapped',
    }),
    design,
    grips: [
      { key: 'belowWaistMm', label: 'Waist edge: up or down', panel: 'a', at: [0.5, 0] },
      { key: 'neckScoopMm', label: 'Neck scoop', panel: 'a', at: [1, 1] },
      { key: 'sideDeg', label: 'Reach to the side', panel: 'a', at: [0, 0.5] },
      { key: 'armScoopMm', label: 'Arm scoop', panel: 'a', at: [0, 1] },
      { key: 'ridgeMm', label: 'Centre ridge', panel: 'a', at: [1, 0.5] },
      { key: 'seamDeg', label: 'Side seam: slide round the trunk', panel: 'd', at: [0, 0.4] },
    ],
    silhouette: ({ belowWaistMm, topMm, neckScoopMm, armScoopMm }, body: Body) => {
      const at = levels(body);
      const h = at.neckBase - topMm - (at.waist - belowWaistMm);
      const w = body.chestGirth.valueMm * 0.2;
      return [
        { x: -w * 0.85, y: 0 },
        { x: w * 0.85, y: 0 },
        { x: w, y: h - armScoopMm },
        { x: w * 0.6, y: h },
        { x: 0, y: h - neckScoopMm },
        { x: -w * 0.6, y: h },
        { x: -w, y: h - armScoopMm },
      ];
    },
  });
}

export const breastplate = plate(
  'breastplate',
  'Breastplate',
  'A plate over the chest from the measured slices of the trunk.',
  90,
);
export const backplate = plate(
  'backplate',
  'Back plate',
  'A plate over the back from the measured slices of the trunk.',
  270,
);
