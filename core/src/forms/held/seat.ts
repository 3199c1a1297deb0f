import type { Check } from '../../document';
import type { Vec2, Vec3 } from '../../geometry';
import { type FoamSheet, isRigid } from '../../materials';
import { type Stick, isRound, type PlateCut, type Section, sizeOf } from '../../panel';
import { trimNumber } from '../../units';
import { ellipse, rectangle } from './outlines';

/** A hole for a snug fit is under the stick in foam and over it in rigid sheet, each side; common practice, from memory. */
const SNUG_MM = { foam: -0.5, rigid: 0.5 };

export const playMm = (foam: Pick<FoamSheet, 'kind'>): number =>
  isRigid(foam.kind) ? SNUG_MM.rigid : SNUG_MM.foam;

/** Half width of a section in a layer that lies from `low` to `high` off the section's middle, square to the layers. */
export function halfWidthIn(section: Section, low: number, high: number): number {
  const [wide, thick] = sizeOf(section);
  if (low >= thick / 2 || high <= -thick / 2) return 0;
  if (!isRound(section)) return wide / 2;
  const nearest = low <= 0 && high >= 0 ? 0 : Math.min(Math.abs(low), Math.abs(high));
  return Math.sqrt(Math.max(0, (wide / 2) ** 2 - nearest ** 2));
}

/** How a stick goes through a lamination: the axis it runs along, its middle off the layers and across, and its span. */
export interface Lying {
  stick: Stick;
  /** In the plane of the layers: along the stick, from and to, and its place across it. */
  alongX: boolean;
  from: number;
  to: number;
  across: number;
  /** Off the middle of the stack. */
  deep: number;
}

/** A stick that lies within the plane of layers that stand along x and z with y through them; none when it runs otherwise. */
export function lyingIn(stick: Stick): Lying | undefined {
  const run = { x: stick.to.x - stick.from.x, y: stick.to.y - stick.from.y, z: stick.to.z - stick.from.z };
  const size = Math.hypot(run.x, run.y, run.z);
  if (size < 1e-6) return undefined;
  const along = (v: Vec3): boolean => Math.abs(v.x * run.x + v.y * run.y + v.z * run.z) > 0.999 * size;
  const upright = along({ x: 0, y: 0, z: 1 });
  if (!upright && !along({ x: 1, y: 0, z: 0 })) return undefined;
  // Outlines are drawn as seen from the front, where x runs to the left.
  const ends = upright ? [stick.from.z, stick.to.z] : [-stick.from.x, -stick.to.x];
  return {
    stick,
    alongX: !upright,
    from: Math.min(...ends),
    to: Math.max(...ends),
    across: upright ? -stick.from.x : stick.from.z,
    deep: stick.from.y,
  };
}

/** The channel a lying stick needs in one layer, clipped to where the layers are; right through it or to a depth. */
export function channelIn(
  lying: Lying,
  layer: { lowMm: number; highMm: number; foam: FoamSheet },
  span: readonly [from: number, to: number],
  beyondMm = 0,
): PlateCut | undefined {
  const { section } = lying.stick;
  const [low, high] = [layer.lowMm - lying.deep, layer.highMm - lying.deep];
  const half = halfWidthIn(section, low, high);
  const [from, to] = [Math.max(lying.from, span[0]), Math.min(lying.to + beyondMm, span[1])];
  if (half < 0.5 || to - from < 1) return undefined;
  const w = half + playMm(layer.foam);
  const box = (a: number, b: number, c: number, d: number): Vec2[] => [
    { x: a, y: c },
    { x: b, y: c },
    { x: b, y: d },
    { x: a, y: d },
  ];
  const outline = lying.alongX
    ? box(from, to, lying.across - w, lying.across + w)
    : box(lying.across - w, lying.across + w, from, to);
  const [, thick] = sizeOf(section);
  const [enters, leaves] = [Math.max(low, -thick / 2), Math.min(high, thick / 2)];
  // From the nearer face to its far side: a bar within a layer lies on the floor of a channel.
  const fromOuter = enters - low > high - leaves;
  const depthMm = fromOuter ? high - enters : leaves - low;
  // A layer the stick fills at its middle is cut through; one it only dips into is hollowed.
  const whole = depthMm > (high - low) * 0.92;
  return {
    id: `channel-${lying.stick.id}`,
    channel: true,
    name: `channel ${trimNumber(2 * w, 1)} × ${trimNumber(to - from, 0)} mm`,
    outline,
    ...(!whole && { recess: { depthMm, face: fromOuter ? ('outer' as const) : ('inner' as const) } }),
  };
}

/** The hole a standing stick needs through what lies between two heights; to a depth where it ends within. */
export function piercing(stick: Stick, lowMm: number, highMm: number, foam: FoamSheet): PlateCut | undefined {
  const [from, to] = [Math.min(stick.from.z, stick.to.z), Math.max(stick.from.z, stick.to.z)];
  const upright =
    Math.hypot(stick.to.x - stick.from.x, stick.to.y - stick.from.y) < 0.01 * Math.max(1, to - from);
  const [enters, leaves] = [Math.max(from, lowMm), Math.min(to, highMm)];
  if (!upright || leaves - enters < 0.5) return undefined;
  const play = playMm(foam);
  const { section } = stick;
  const at = { x: stick.from.x, y: stick.from.y };
  const [wide, thick] = sizeOf(section);
  const outline = !isRound(section)
    ? rectangle(at, wide + 2 * play, thick + 2 * play)
    : ellipse(at, wide / 2 + play, wide / 2 + play, 36);
  const whole = leaves - enters > (highMm - lowMm) * 0.92;
  return {
    id: `hole-${stick.id}`,
    name: !isRound(section)
      ? `slot ${trimNumber(wide + 2 * play, 1)} × ${trimNumber(thick + 2 * play, 1)} mm for ${stick.name}`
      : `hole ${trimNumber(wide + 2 * play, 1)} mm for ${stick.name}`,
    outline,
    ...(!whole && {
      recess: { depthMm: leaves - enters, face: from > lowMm ? ('outer' as const) : ('inner' as const) },
    }),
  };
}

/** A stick wider than what should hold it. */
export function wallCheck(id: string, what: string, wallMm: number, leastMm: number): Check[] {
  return wallMm >= leastMm
    ? []
    : [
        {
          id,
          severity: wallMm < 1 ? 'stop' : 'mind',
          station: 'shape',
          title:
            wallMm < 0
              ? `${what} is ${trimNumber(-wallMm)} mm wider than the part it goes through.`
              : `${what} leaves ${trimNumber(wallMm)} mm of foam beside it; keep ${leastMm} mm.`,
          why: 'Thin walls over a channel split when the prop is knocked.',
          provenance: 'practice',
          excess: leastMm - wallMm,
          remedies: [{ need: 'room', mm: leastMm - wallMm }],
        },
      ];
}
