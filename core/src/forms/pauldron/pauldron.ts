import { armLean } from '../../body';
import { angle, length, ownFoam, type ParamsOf, rows, setting } from '../../document';
import { gridOf, onEllipsoid, onSlice, type Panel } from '../../panel';
import { trimNumber, itemAt, firstOf, lastOf } from '../../units';
import { defineForm, ownPly, type Design, type FormInput } from '../contract';
import { roundLimb, strapOver } from '../straps';

const fields = [
  length('capMm', 'Cap height', [40, 180], 'From the tip of the shoulder up to the top of the cap.', 'Size', {
    gives: [{ need: 'reach', by: -1 }],
  }),
  angle('wrapDeg', 'Reach front and back', [50, 120], 'How far round the arm it goes from its outside.'),
  length('paddingMm', 'Padding', [0, 25], 'Foam between clothing and shell.', 'Room', {
    gives: [{ need: 'room', by: 1 }],
  }),
  rows(
    'lames',
    'Lames',
    [
      length('heightMm', 'Height', [20, 160], 'Top to bottom.'),
      length('overlapMm', 'Overlap', [0, 60], 'How far it lies under the plate above.'),
      length('flareMm', 'Flare', [0, 30], 'How far its lower edge stands out.'),
      ownFoam('foamMm', 'Foam'),
    ],
    [0, 7],
    (before) => ({ heightMm: 52, overlapMm: 18, flareMm: 6, foamMm: 0, ...before.at(-1) }),
    'lame',
    'Plates below the cap, each under the one above.',
  ),
] as const;

type PauldronParams = ParamsOf<typeof fields>;

/** Least lap of a lame, mm; common practice, no source. */
const LAP_MM = 12;

/** Air between a lame and the plate it slides under, mm. */
const AIR_MM = 1;
/** The innermost lame clears the clothed arm by so much, mm. */
const ARM_MM = 3;
/** The cap is wider than the arm by so much, front to back. */
const WIDER = 1.2;

/**
 * How far the upper edge of each lame stands in from the line of the cap's lower edge: enough for its foam to lie
 * within the plate above at both ends of their overlap. The cap draws in towards its top like an ellipse.
 */
function insetsOf(
  list: PauldronParams['lames'],
  thickOf: (i: number) => number,
  radiusMm: number,
  capMm: number,
): number[] {
  const insets: number[] = [];
  list.forEach((lame, i) => {
    const own = lame.flareMm * Math.min(1, lame.overlapMm / lame.heightMm);
    const above = list[i - 1];
    const drawnIn = radiusMm * (1 - Math.sqrt(1 - Math.min(0.95, lame.overlapMm / capMm) ** 2));
    const roomier = above
      ? Math.min(above.flareMm * (1 - Math.min(1, lame.overlapMm / above.heightMm)), above.flareMm - own)
      : -Math.max(drawnIn, own);
    insets.push((insets[i - 1] ?? 0) + thickOf(i) + AIR_MM - roomier);
  });
  return insets;
}

/**
 * A cap over the shoulder and lames below it, in the space of the upper arm: z up along the arm to the
 * shoulder tip at 0, x outwards, y to the front.
 */
function design(input: FormInput<PauldronParams>): Design {
  const { params, body, underLayerMm, liningMm, own } = input;
  const { lames: list } = params;
  const thickOf = (i: number): number => own(itemAt(list, i).foamMm).foam.thicknessMm.value;
  const skin = body.upperArmGirth.valueMm / (2 * Math.PI) + underLayerMm + liningMm;
  const insetsAt = (radiusMm: number): number[] => insetsOf(list, thickOf, radiusMm * WIDER, params.capMm);
  // Lames lie inside the cap and one another: the innermost still clears the arm.
  const room = params.paddingMm + 8;
  const arm = skin + Math.max(room, ARM_MM + Math.max(0, ...insetsAt(skin + room)));
  // Never so far that a plate would close in on itself; what then overlaps is reported.
  const insets = insetsAt(arm).map((mm) => Math.min(arm * 0.75, mm));
  const axes = { x: arm * 1.15, y: arm * WIDER, z: params.capMm };
  const cap: Panel = {
    id: 'cap',
    name: 'cap',
    grid: gridOf(14, 12, (u, v) =>
      onEllipsoid(
        axes,
        { x: 0, y: 0, z: 0 },
        params.wrapDeg * (2 * u - 1),
        82 * v * (1 - 0.16 * (2 * u - 1) ** 2),
      ),
    ),
    edges: { bottom: 'lower edge', right: 'front edge', top: 'neck edge', left: 'back edge' },
  };
  /** Upper edge of a lame: those above it, less the overlaps. */
  const topOf = (i: number): number =>
    list
      .slice(0, i)
      .reduce((z, lame, k) => z - lame.heightMm + itemAt(list, k + 1).overlapMm, firstOf(list).overlapMm);
  const lean = Math.tan(armLean);
  const lames = list.map((lame, i): Panel => {
    const top = topOf(i);
    const grow = (z: number): number => 1 + (-(z - firstOf(list).overlapMm) / 1000) * 0.2;
    return {
      id: `lame-${i + 1}`,
      name: `lame ${i + 1}`,
      grid: gridOf(16, 4, (u, v) => {
        const z = top - lame.heightMm * (1 - v);
        const flare = lame.flareMm * (1 - v);
        // The arm hangs a little away from the body, and the plates follow it.
        const slice = {
          a: arm * 1.15 * grow(z),
          b: arm * WIDER * grow(z),
          x: Math.max(0, -z) * lean,
          y: 0,
          z,
        };
        return onSlice(slice, params.wrapDeg * 0.96 * (2 * u - 1), flare - itemAt(insets, i));
      }),
      edges: { bottom: 'lower edge', right: 'front edge', top: 'upper edge', left: 'back edge' },
      attached: {
        top: {
          by: 'strap',
          words: `hung on straps under ${i === 0 ? 'the cap' : `lame ${i}`}, a rivet at each end`,
          meets: { on: [i === 0 ? 'cap' : `lame-${i}`], way: 'under' },
        },
      },
      ...ownPly(input, lame.foamMm),
    };
  });
  const drop = list.length === 0 ? 0 : lastOf(list).heightMm - topOf(list.length - 1);
  const least = Math.min(LAP_MM, ...list.map((l) => l.overlapMm));
  return {
    panels: [cap, ...lames],
    joins: [],
    roomMm: params.paddingMm + 8,
    padded: params.paddingMm > 0,
    measures: ['upperArmGirth', 'shoulderBreadth'],
    closure: 'hook-and-loop',
    fastenings: [
      roundLimb(body.upperArmGirth.valueMm, underLayerMm, 'under the arm, at the lowest lame'),
      strapOver(70, 'from the cap’s neck edge to collar or plate'),
    ],
    figures: [{ key: 'drop', label: 'hangs below the tip', value: drop, unit: 'mm', decimals: 0 }],
    checks:
      least < LAP_MM
        ? [
            {
              id: 'overlap',
              severity: 'mind',
              station: 'shape',
              title: `a lame overlaps ${trimNumber(least)} mm; under ${LAP_MM} mm they gape when the arm is raised.`,
              why: 'Each lame must stay under the one above through the whole swing.',
              provenance: 'practice',
              excess: LAP_MM - least,
              remedies: [
                setting('Overlap 18 mm', {
                  lames: list.map((l) => ({ ...l, overlapMm: l.overlapMm < LAP_MM ? 18 : l.overlapMm })),
                }),
              ],
            },
          ]
        : [],
  };
}

export const pauldron = defineForm<PauldronParams>({
  kind: 'pauldron',
  label: 'Pauldron',
  zones: ['shoulder'],
  summary: 'A domed cap over the shoulder and any number of overlapping lames.',
  fields,
  defaults: (body) => ({
    capMm: Math.min(180, Math.max(40, Math.round(body.upperArmGirth.valueMm * 0.27))),
    wrapDeg: 85,
    paddingMm: 5,
    lames: Array.from({ length: 3 }, () => ({ heightMm: 52, overlapMm: 18, flareMm: 6, foamMm: 0 })),
  }),
  design,
  silhouette: ({ capMm, lames }) => {
    const drop = lames.reduce((sum, l) => sum + l.heightMm - l.overlapMm, 0);
    return [
      { x: -62, y: -drop },
      { x: 62, y: -drop },
      { x: 58, y: 0 },
      { x: 30, y: capMm * 0.85 },
      { x: -30, y: capMm * 0.85 },
      { x: -58, y: 0 },
    ];
  },
});
