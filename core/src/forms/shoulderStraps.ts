import { type Body, levels, neckSection, SHOULDER_ROUND_MM, STRAP_AT } from '../body';
import { choice, length, ownFoam, type ParamsOf } from '../document';
import { gridOf, type Panel } from '../panel';
import type { Fastening, FormInput } from './contract';
import { ownPly } from './contract';
import { strapOver } from './straps';

const isFaced = (params: object): boolean => (params as { facing?: string }).facing === 'foam';

/** Straps that carry something on the back. */
export const strapFields = [
  length('strapOverlapMm', 'Strap overlap', [40, 200], 'Hook-and-loop at the ends.', 'Straps'),
  length(
    'strapWideMm',
    'Strap width',
    [20, 100],
    'Of those over the shoulders; wider ones press less.',
    'Straps',
    { gives: [{ need: 'strap', by: 1 }] },
  ),
] as const;

/** Soft foam between strap and shoulder. */
export const facingFields = [
  choice(
    'facing',
    'Under the straps',
    [
      ['none', 'nothing'],
      ['foam', 'a strip of foam'],
    ],
    'Soft foam on the shoulders, wider than the strap: it spreads what the strap carries.',
    'Straps',
  ),
  { ...ownFoam('facingFoam', 'Its foam', { when: isFaced }), group: 'Straps' },
] as const;

export type StrapParams = ParamsOf<typeof strapFields>;
export type FacingParams = ParamsOf<typeof facingFields>;

/** Foam under a strap is so much wider than it, mm, and goes so far down before and behind; common practice, no source. */
const FACED_MM = 20;
const FACED_DOWN_MM = 60;
const STEPS = 12;

/** A pair over the shoulders as long as asked, and a belt round the waist, each with its overlap. */
export function shoulderStraps(
  { strapOverlapMm, strapWideMm }: StrapParams,
  lengthMm: number,
  waistMm: number,
  where: string,
  faced = false,
): Fastening[] {
  return [
    {
      ...strapOver(lengthMm, where, 2),
      lengthMm: lengthMm + strapOverlapMm,
      overlapMm: strapOverlapMm,
      shoulder: { wideMm: strapWideMm + (faced ? FACED_MM : 0) },
    },
    {
      ...strapOver(waistMm, 'round the waist'),
      lengthMm: waistMm + strapOverlapMm,
      overlapMm: strapOverlapMm,
    },
  ];
}

/** Strips of foam over both shoulders, where the straps lie; each unrolls to a rectangle. */
export function strapFacings(
  { facing, facingFoam, strapWideMm }: FacingParams & StrapParams,
  body: Body,
  { own, underLayerMm }: Pick<FormInput<unknown>, 'own' | 'underLayerMm'>,
): Panel[] {
  if (facing === 'none') return [];
  const half = (strapWideMm + FACED_MM) / 2;
  const middle = {
    y: neckSection(body, levels(body).chin).forwardMm,
    z: levels(body).shoulder - SHOULDER_ROUND_MM,
  };
  const radius = SHOULDER_ROUND_MM + underLayerMm;
  const arcMm = Math.PI * radius;
  const allMm = arcMm + 2 * FACED_DOWN_MM;
  /** From behind over the ridge to the front. */
  const at = (mm: number): { y: number; z: number } => {
    if (mm < FACED_DOWN_MM) return { y: middle.y - radius, z: middle.z - (FACED_DOWN_MM - mm) };
    if (mm > FACED_DOWN_MM + arcMm)
      return { y: middle.y + radius, z: middle.z - (mm - FACED_DOWN_MM - arcMm) };
    const turn = (mm - FACED_DOWN_MM) / radius;
    return { y: middle.y - radius * Math.cos(turn), z: middle.z + radius * Math.sin(turn) };
  };
  const stops = [
    0,
    ...Array.from({ length: STEPS + 1 }, (_, i) => FACED_DOWN_MM + (arcMm * i) / STEPS),
    allMm,
  ];
  return ([1, -1] as const).map((side): Panel => ({
    id: `facing-${side === 1 ? 'right' : 'left'}`,
    name: `foam under the ${side === 1 ? 'right' : 'left'} strap`,
    ...ownPly({ own }, facingFoam),
    grid: gridOf(2, stops.length - 1, (u, v) => ({
      x: side * STRAP_AT * body.shoulderBreadth.valueMm + half * (2 * u - 1),
      ...at(stops[Math.round(v * (stops.length - 1))] ?? 0),
    })),
    edges: { bottom: 'lower end behind', right: 'side', top: 'lower end in front', left: 'side' },
    loose: true,
  }));
}
