import { armLean } from '../../body/figure';
import type { FormInput, FormParams } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { angle, count, length, orSame, ownFoam } from '../draped/fields';
import { gridOf, onEllipsoid, onSlice } from '../draped/grids';
import type { Panel } from '../draped/panel';

interface PauldronParams extends FormParams {
  capMm: number;
  wrapDeg: number;
  paddingMm: number;
  lames: number;
  lameMm: number;
  lameGrowMm: number;
  lowestFoam: number;
  overlapMm: number;
  stepMm: number;
  lameFoam: number;
}

/**
 * A cap over the shoulder and lames below it, in the space of the upper arm: z up along the arm to the
 * shoulder tip at 0, x outwards, y to the front.
 */
function design({ params, body, underLayerMm, foam, sheetOf }: FormInput<PauldronParams>): Design {
  const out = underLayerMm + params.paddingMm + 8;
  const arm = body.upperArmGirth.valueMm / (2 * Math.PI) + out;
  const axes = { x: arm * 1.15, y: arm * 1.2, z: params.capMm };
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
  const foamOf = (i: number): number => (i === params.lames - 1 && params.lowestFoam) || params.lameFoam;
  const thickOf = (i: number): number => sheetOf(foamOf(i) || foam.nominalMm).thicknessMm.value;
  const high = (i: number): number => Math.max(20, params.lameMm + i * params.lameGrowMm);
  /** Upper edge of a lame: the sum of those above it, less their overlaps. */
  const topOf = (i: number): number =>
    Array.from({ length: i }, (_, k) => high(k) - params.overlapMm).reduce((a, b) => a - b, params.overlapMm);
  /** Lames lie under one another: half of each one's foam and a little air. */
  const under = (i: number): number =>
    Array.from({ length: i + 1 }, (_, k) => (thickOf(k) + 1) * 0.5).reduce((a, b) => a + b, 0);
  const lean = Math.tan(armLean);
  const lames = Array.from({ length: params.lames }, (_, i): Panel => {
    const top = topOf(i);
    const grow = (z: number): number => 1 + (-(z - params.overlapMm) / 1000) * 0.2;
    return {
      id: `lame-${i + 1}`,
      name: `lame ${i + 1}`,
      grid: gridOf(16, 4, (u, v) => {
        const z = top - high(i) * (1 - v);
        const flare = params.stepMm * (1 - v);
        // The arm hangs a little away from the body, and the plates follow it.
        const slice = { a: arm * 1.15 * grow(z), b: arm * 1.2 * grow(z), x: Math.max(0, -z) * lean, y: 0, z };
        return onSlice(slice, params.wrapDeg * 0.96 * (2 * u - 1), flare - under(i));
      }),
      edges: { bottom: 'lower edge', right: 'front edge', top: 'upper edge', left: 'back edge' },
      hung: { top: `hung on straps under ${i === 0 ? 'the cap' : `lame ${i}`}, a rivet at each end` },
      ...orSame(foamOf(i)),
    };
  });
  const drop = params.lames === 0 ? 0 : high(params.lames - 1) - topOf(params.lames - 1);
  return {
    panels: [cap, ...lames],
    joins: [],
    roomMm: out - underLayerMm,
    figures: [{ label: 'hangs below the tip', value: drop, unit: 'mm', decimals: 0 }],
    checks:
      params.lames > 0 && params.overlapMm < 12
        ? [
            {
              id: 'overlap',
              severity: 'mind',
              title: `lames overlap ${params.overlapMm} mm; under 12 mm they gape when the arm is raised.`,
              why: 'Each lame must stay under the one above through the whole swing.',
              sure: 'practice',
              cures: [{ label: 'Overlap 18 mm', set: { overlapMm: 18 } }],
            },
          ]
        : [],
  };
}

export const pauldron = drapedKind<PauldronParams>({
  kind: 'pauldron',
  label: 'Pauldron',
  zone: 'shoulder',
  summary: 'A domed cap over the shoulder and any number of overlapping lames.',
  fields: [
    length('capMm', 'Cap height', [40, 180], 'From the tip of the shoulder up to the top of the cap.'),
    angle('wrapDeg', 'Reach front and back', [50, 120], 'How far round the arm it goes from its outside.'),
    length('paddingMm', 'Padding', [0, 25], 'Foam between clothing and shell.', 'Room'),
    count('lames', 'Lames', [0, 7], 'Plates below the cap.', 'Lames'),
    length('lameMm', 'Lame height', [25, 120], 'Each plate, top to bottom.', 'Lames'),
    {
      ...length<PauldronParams>(
        'lameGrowMm',
        'Each next higher by',
        [-25, 25],
        'Adds up from lame to lame.',
        'Lames',
      ),
      absent: 0,
    },
    length('overlapMm', 'Overlap', [0, 60], 'How far each plate lies under the one above.', 'Lames'),
    length('stepMm', 'Flare of each', [0, 30], 'How far the lower edge of a plate stands out.', 'Lames'),
    ownFoam('lameFoam', 'Lame foam'),
    { ...ownFoam<PauldronParams>('lowestFoam', 'Lowest lame'), absent: 0 },
  ],
  defaults: (body) => ({
    capMm: Math.round(body.upperArmGirth.valueMm * 0.27),
    wrapDeg: 85,
    paddingMm: 5,
    lames: 3,
    lameMm: 52,
    lameGrowMm: 0,
    lowestFoam: 0,
    overlapMm: 18,
    stepMm: 6,
    lameFoam: 0,
  }),
  design,
  grips: [
    { key: 'capMm', label: 'Cap height', panel: 'cap', at: [0.5, 1] },
    { key: 'wrapDeg', label: 'Reach to the front', panel: 'cap', at: [1, 0] },
    { key: 'lameMm', label: 'Lame height', panel: 'lame-1', at: [0.5, 0] },
    { key: 'stepMm', label: 'Flare of the lames', panel: 'lame-1', at: [0.25, 0] },
  ],
  silhouette: ({ capMm, lames, lameMm, overlapMm }) => {
    const drop = lames * (lameMm - overlapMm);
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
