import { type Body, levels, neckSection, SHOULDER_ROUND_MM, STRAP_AT, torsoSection } from '../body';
import { drawnOver, type Vec2 } from '../geometry';

/** Where straps are fastened: at what height, and how far before the spine (behind it is negative). */
export interface Carrier {
  topMm: number;
  footMm: number;
  forwardMm: number;
}

const STEPS = 24;

/** Half the depth of the clothed trunk at a height, so far from its middle; none beside it. */
function profile(body: Body, underLayerMm: number, acrossMm: number, z: number): Vec2 | undefined {
  const { a, b, forwardMm } = torsoSection(body, z);
  const share = acrossMm / (a + underLayerMm);
  return share >= 1 ? undefined : { x: forwardMm + (b + underLayerMm) * Math.sqrt(1 - share * share), y: z };
}

/** The round of the clothed shoulder where a strap lies, from behind over the ridge to the front: forward and up. */
export function shoulderRound(body: Body, underLayerMm: number): Vec2[] {
  const at = levels(body);
  const radius = SHOULDER_ROUND_MM + underLayerMm;
  const ridge = { x: neckSection(body, at.chin).forwardMm, y: at.shoulder - SHOULDER_ROUND_MM };
  return Array.from({ length: STEPS + 1 }, (_, i): Vec2 => {
    const turn = (Math.PI * i) / STEPS;
    return { x: ridge.x - radius * Math.cos(turn), y: ridge.y + radius * Math.sin(turn) };
  });
}

/** From where it is fastened over the shoulder and down the front as far as under the chest, drawn tight in its plane. */
export function strapDownMm(
  body: Body,
  underLayerMm: number,
  { topMm, forwardMm }: Pick<Carrier, 'topMm' | 'forwardMm'>,
): number {
  const at = levels(body);
  const acrossMm = STRAP_AT * body.shoulderBreadth.valueMm;
  const ridgeMm = at.shoulder - SHOULDER_ROUND_MM;
  const over = shoulderRound(body, underLayerMm);
  const front = Array.from({ length: STEPS + 1 }, (_, i) => {
    const z = ridgeMm + ((at.underBust - ridgeMm) * i) / STEPS;
    return profile(body, underLayerMm, acrossMm, z) ?? [];
  }).flat();
  return drawnOver([{ x: forwardMm, y: topMm }, ...over, ...front]);
}

/** Along the clothed girth under the chest, from where the strap comes down in front round the side to as far from the middle behind. */
export function strapRoundMm(body: Body, underLayerMm: number): number {
  const { a, b } = torsoSection(body, levels(body).underBust);
  const [wide, deep] = [a + underLayerMm, b + underLayerMm];
  const from = Math.acos(Math.min(1, (STRAP_AT * body.shoulderBreadth.valueMm) / wide));
  const turn = (i: number): number => from - (2 * from * i) / STEPS;
  return Array.from({ length: STEPS }, (_, i) =>
    Math.hypot(
      wide * (Math.cos(turn(i + 1)) - Math.cos(turn(i))),
      deep * (Math.sin(turn(i + 1)) - Math.sin(turn(i))),
    ),
  ).reduce((sum, mm) => sum + mm, 0);
}

/**
 * How long a strap is from the top of what is on the back over the shoulder, down the front and round the side to its
 * foot, falling evenly as it goes round. Millimetres.
 */
export const strapWayMm = (body: Body, underLayerMm: number, carrier: Carrier): number =>
  strapDownMm(body, underLayerMm, carrier) +
  Math.hypot(strapRoundMm(body, underLayerMm), levels(body).underBust - carrier.footMm);
