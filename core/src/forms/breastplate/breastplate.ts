import { closureField } from '../closureField';
import { type Body, levels, STRAP_AT, torsoSection } from '../../body';
import { angle, type Check, choice, length, type ParamsOf, setting } from '../../document';
import type { Vec3 } from '../../geometry';
import { closures } from '../../materials';
import { gridOf, type Join, onSlice, type Panel } from '../../panel';
import { trimNumber, lastOf, firstOf } from '../../units';
import { defineForm, type Design, type FormInput, type FormKind, type Mould, type Tie } from '../contract';
import { OVERLAP_MM, strapOver } from '../straps';
import { shoulderRound } from '../strapWay';

const inFour = (params: object): boolean => (params as { halves?: number }).halves === 4;

const fieldsOf = (front: boolean) =>
  [
    length(
      'topMm',
      'Top below the neck',
      [0, 160],
      'From the base of the neck down to the highest point at the shoulders.',
    ),
    length(
      'belowWaistMm',
      'Below the waist',
      [-80, 160],
      'How far the lower edge reaches past the waist.',
      'Size',
      { gives: [{ need: 'reach', by: -1 }] },
    ),
    angle('sideDeg', 'Reach to each side', [40, 95], '90° meets the other plate at the sides.'),
    length('neckScoopMm', 'Neck scoop', [0, 200], 'Depth of the cut-out in the middle.', 'Size', {
      gives: [{ need: 'reach', by: 1 }],
    }),
    length('armScoopMm', 'Arm scoop', [0, 200], 'Depth of the cut-away for the arms.', 'Size', {
      gives: [{ need: 'reach', by: 1 }],
    }),
    length('ridgeMm', front ? 'Centre ridge' : 'Centre fullness', [0, 60], 'How far the middle stands out.'),
    length('paddingMm', 'Padding', [0, 30], 'Foam between clothing and shell.', 'Room', {
      gives: [{ need: 'room', by: 1 }],
    }),
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
      { gives: [{ need: 'split', by: 1 }] },
    ),
    closureField('Sides', 'How the plates are drawn together under the arms.', {
      worded: (name) => `open, ${name}`,
    }),
    angle(
      'seamDeg',
      'Side seam',
      [12, 80],
      'How far from the middle the seam between centre and side runs.',
      'Division',
      { when: inFour },
    ),
  ] as const;

type PlateParams = ParamsOf<ReturnType<typeof fieldsOf>>;

/** How many lines of the trunk straps at the sides are drawn over. */
const SIDE_LEVELS = 7;

/** Scoops take at most this share of the height. */
const DEEPEST = 0.7;

/** However deep it is scooped, a plate is so high everywhere. */
const LEAST_HEIGHT_MM = 40;

/** A plate over the front or the back of the trunk, from its measured slices. */
function plate(kind: string, label: string, summary: string, middleDeg: 90 | 270): FormKind {
  const front = middleDeg === 90;
  const design = ({ params, body, underLayerMm, liningMm }: FormInput<PlateParams>): Design => {
    const at = levels(body);
    const out = underLayerMm + liningMm + params.paddingMm;
    const bottom = at.waist - params.belowWaistMm;
    const top = at.neckBase - params.topMm;
    /** Upper edge: scooped at the neck in the middle, cut away for the arms at the sides. */
    const deepest = DEEPEST * (top - bottom);
    const upper = (away: number): number => {
      const neck = Math.min(params.neckScoopMm, deepest) * Math.max(0, 1 - away / 0.45) ** 1.5;
      const arm = away > 0.55 ? Math.min(params.armScoopMm, deepest) * ((away - 0.55) / 0.45) ** 1.3 : 0;
      return Math.max(top - neck - arm, bottom + LEAST_HEIGHT_MM);
    };
    const panel = (id: string, name: string, from: number, to: number): Panel => ({
      id,
      name,
      grid: gridOf(params.halves === 1 ? 16 : 9, 14, (u, v) => {
        const t = from + (to - from) * u;
        const away = Math.abs(t);
        const z = bottom + (upper(away) - bottom) * v;
        // Above the shoulder the body draws in level; a plate stands up straight there.
        const section = torsoSection(body, Math.min(z, at.shoulder));
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
    const checks: Check[] = [];
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
        station: 'shape',
        title: `stands ${trimNumber(width, 0)} mm wide between the arms; across the ${front ? 'chest' : 'back'} is ${trimNumber(across, 0)} mm.`,
        why: 'The arms cannot come forward past a plate wider than the body there.',
        provenance: 'memory',
        excess: width - across - 60,
        remedies: [8, 16, 24].map((by) =>
          setting(`Reach ${Math.max(40, params.sideDeg - by)}° to each side`, {
            sideDeg: Math.max(40, params.sideDeg - by),
          }),
        ),
      });
    }
    if (params.belowWaistMm > 45) {
      checks.push({
        id: 'bend',
        severity: 'mind',
        station: 'shape',
        title: `reaches ${trimNumber(params.belowWaistMm, 0)} mm below the waist; sitting and bending push it into the throat.`,
        why: 'A stiff plate ends where the body bends.',
        provenance: 'practice',
        excess: params.belowWaistMm - 45,
        remedies: [setting('End 20 mm below the waist', { belowWaistMm: 20 })],
      });
    }
    return {
      panels,
      joins,
      checks,
      closure: params.closure,
      ties: ties(panels, joins, params.closure),
      alone: front
        ? [
            strapOver(body.acrossBack.valueMm * 1.5, 'crossed behind, shoulder to side', 2),
            {
              ...strapOver(body.waistGirth.valueMm * 0.5, 'round the back at the waist'),
              closure: params.closure,
            },
          ]
        : [
            strapOver(body.acrossChest.valueMm * 1.5, 'crossed in front, shoulder to side', 2),
            {
              ...strapOver(body.waistGirth.valueMm * 0.5, 'round the front at the waist'),
              closure: params.closure,
            },
          ],
      measures: ['chestGirth', 'waistGirth', 'waistToShoulder'],
      roomMm: params.paddingMm,
      padded: params.paddingMm > 0,
      figures: [
        { key: 'height', label: 'height in the middle', value: upper(0) - bottom, unit: 'mm', decimals: 0 },
        { key: 'width', label: 'width between arms', value: width, unit: 'mm', decimals: 0 },
      ],
    };

    /** Straps over the shoulders and at the sides, from the front plate to the back one. */
    function ties(all: Panel[], seams: Join[], closure: PlateParams['closure']): Tie[] {
      const free = (p: Panel, side: 'left' | 'right'): boolean =>
        !seams.some((j) => [j.a, j.b].some(([id, s]) => id === p.id && s === side));
      const right = (points: Vec3[]): Vec3[] => points.filter((q) => q.x > 0);
      const end = front ? 'near' : 'far';
      const strapMm = STRAP_AT * body.shoulderBreadth.valueMm;
      /** Of the upper edge, where a strap over the shoulder begins. */
      const shoulderEnd = (edge: Vec3[]): Vec3 => {
        const [first, ...others] = edge;
        const off = (q: Vec3): number => Math.abs(q.x - strapMm);
        return others.reduce((best, q) => (off(q) < off(best) ? q : best), first ?? { x: 0, y: 0, z: top });
      };
      const sides = Array.from({ length: SIDE_LEVELS }, (_, i): Mould => {
        const z = bottom + ((top - bottom) * i) / (SIDE_LEVELS - 1);
        const section = torsoSection(body, Math.min(z, at.shoulder));
        const slice = { ...section, x: 0, y: section.forwardMm, z };
        return {
          plane: 'level',
          points: [-60, -45, -30, -15, 0, 15, 30, 45, 60].map((deg) => onSlice(slice, deg, underLayerMm)),
        };
      });
      return [
        {
          name: 'shoulder',
          end,
          points: [shoulderEnd(right(all.flatMap((p) => lastOf(p.grid))))],
          over: [
            {
              plane: 'upright',
              points: shoulderRound(body, underLayerMm).map(({ x: y, y: z }): Vec3 => ({ x: strapMm, y, z })),
            },
          ],
          fastening: {
            closure: 'hook-and-loop',
            where: 'over each shoulder, plate to plate',
            count: 2,
            overlapMm: OVERLAP_MM,
          },
        },
        {
          name: 'side',
          end,
          points: right(
            all.flatMap((p) => [
              ...(free(p, 'left') ? p.grid.map((row) => firstOf(row)) : []),
              ...(free(p, 'right') ? p.grid.map((row) => lastOf(row)) : []),
            ]),
          ),
          over: sides,
          fastening: { closure, ...closures[closure].between },
        },
      ];
    }

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
  return defineForm<PlateParams>({
    kind,
    label,
    zones: ['torso'],
    summary,
    fields: fieldsOf(front),
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
      closure: 'hook-and-loop',
    }),
    design,
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
