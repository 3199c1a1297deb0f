import { itemAt, firstOf, lastOf } from '../../units';
import { type Check, length, rows } from '../../document';
import type { Vec3 } from '../../geometry';
import { gridOf, type Join, type Panel, platePanel } from '../../panel';
import type { FormInput } from '../contract';
import { GLUE_LINE_MM } from './laminate';
import { ellipse } from './outlines';
import { piercing } from './seat';

/** A profile turned about the axis: so far across at so high. */
export interface Turn {
  zMm: number;
  acrossMm: number;
}

export const profileField = (when?: (params: object) => boolean) =>
  rows(
    'profile',
    'Profile',
    [
      length('zMm', 'Up', [-600, 3000], 'Along the axis.'),
      length('acrossMm', 'Across', [1, 1500], 'Outside, there.', 'Size', {
        gives: [{ need: 'room', by: 1 }],
      }),
    ] as const,
    [2, 40],
    (before) => ({
      zMm: (Number(before.at(-1)?.zMm) || 0) + 20,
      acrossMm: Number(before.at(-1)?.acrossMm) || 40,
    }),
    'point',
    'From the foot up: how far across it is at each height.',
    'Profile',
    { draws: 'profile', ...(when && { when }) },
  );

/** Points from the foot up, none at the height of another. */
export function rising(profile: readonly Turn[]): Turn[] {
  const sorted = [...profile].sort((a, b) => a.zMm - b.zMm);
  return sorted.filter((p, i) => i === 0 || p.zMm - itemAt(sorted, i - 1).zMm > 0.5);
}

/** Radius of a profile at a height, straight between its points. */
export function radiusAt(profile: readonly Turn[], z: number): number {
  const k = profile.findIndex((p) => p.zMm >= z);
  if (k <= 0) return (k === 0 ? firstOf(profile) : lastOf(profile)).acrossMm / 2;
  const [a, b] = [itemAt(profile, k - 1), itemAt(profile, k)];
  return (a.acrossMm + ((z - a.zMm) / (b.zMm - a.zMm)) * (b.acrossMm - a.acrossMm)) / 2;
}

/** Volume of the revolved profile, mm³: frusta between its points. */
export const revolvedMm3 = (profile: readonly Turn[]): number =>
  profile.slice(1).reduce((sum, b, i) => {
    const a = itemAt(profile, i);
    const [r, s] = [a.acrossMm / 2, b.acrossMm / 2];
    return sum + (Math.PI * (b.zMm - a.zMm) * (r * r + r * s + s * s)) / 3;
  }, 0);

export interface Flutes {
  count: number;
  widthMm: number;
}

/** A disc's outline with round flutes cut into it; the disc alone when they would meet. */
function fluted(r: number, { count, widthMm }: Flutes): { x: number; y: number }[] {
  const half = widthMm / 2 / r;
  if (count === 0 || widthMm < 1 || half >= (0.9 * Math.PI) / count || half >= 0.6)
    return ellipse({ x: 0, y: 0 }, r);
  return Array.from({ length: count }, (_, i) => (i / count) * 2 * Math.PI).flatMap((at) => {
    const next = at + (2 * Math.PI) / count;
    const [from, to] = [at + half, next - half];
    const rim = Array.from({ length: 9 }, (_, k) => from + ((to - from) * k) / 8).map((t) => ({
      x: r * Math.cos(t),
      y: r * Math.sin(t),
    }));
    const f = widthMm / 2;
    const [cx, cy] = [r * Math.cos(next), r * Math.sin(next)];
    const hollow = Array.from({ length: 7 }, (_, k) => next - Math.PI / 2 - (Math.PI * (k + 1)) / 8).map(
      (t) => ({
        x: cx + f * Math.cos(t),
        y: cy + f * Math.sin(t),
      }),
    );
    return [...rim, ...hollow];
  });
}

/** Panels of a form or a section of one, and what was noticed. */
export interface Made {
  panels: Panel[];
  joins: Join[];
  checks?: Check[];
}

/** More discs than this are another way of building; the rest are left off. */
const MOST_DISCS = 60;

const tooMany = (wanted: number): Check[] =>
  wanted <= MOST_DISCS
    ? []
    : [
        {
          id: 'too-many-discs',
          severity: 'stop',
          station: 'shape',
          title: `${wanted} discs would be needed; only the lowest ${MOST_DISCS} are made.`,
          why: 'Take thicker sheet, or bands instead of discs.',
          provenance: 'practice',
          excess: wanted - MOST_DISCS,
          remedies: [],
        },
      ];

/** Discs one above the other, each as wide at either face as the profile there, with holes for what stands through. */
export function discStack(
  { foam, ply, through }: Pick<FormInput<unknown>, 'foam' | 'ply' | 'through'>,
  profile: readonly Turn[],
  { boreMm = 0, flutes, id = 'disc' }: { boreMm?: number; flutes?: Flutes; id?: string } = {},
): Made & { errorMm: number; count: number; checks: Check[] } {
  const [foot, top] = [firstOf(profile).zMm, lastOf(profile).zMm];
  const t = foam.thicknessMm.value;
  const wanted = Math.max(1, Math.round((top - foot + GLUE_LINE_MM) / (t + GLUE_LINE_MM)));
  const count = Math.min(wanted, MOST_DISCS);
  let errorMm = Math.abs(wanted * t + (wanted - 1) * GLUE_LINE_MM - (top - foot));
  const panels = Array.from({ length: count }, (_, i): Panel => {
    const low = foot + i * (t + GLUE_LINE_MM);
    const high = low + t;
    const [r, s] = [radiusAt(profile, low), radiusAt(profile, high)];
    for (const share of [0.25, 0.5, 0.75])
      errorMm = Math.max(errorMm, Math.abs(radiusAt(profile, low + share * t) - (r + share * (s - r))));
    const outline = (radius: number) => (flutes ? fluted(radius, flutes) : ellipse({ x: 0, y: 0 }, radius));
    const cuts = through.flatMap((stick) => {
      const hole = piercing(stick, low, high, foam);
      return hole ? [hole] : [];
    });
    const wide = Math.max(r, s);
    return platePanel({
      id: count === 1 ? id : `${id}-${i + 1}`,
      name: count === 1 ? id : `${id} ${i + 1} of ${count}`,
      origin: { x: 0, y: 0, z: low },
      across: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: 1, z: 0 },
      outline: outline(wide),
      cuts:
        cuts.length === 0 && boreMm > 0 && boreMm / 2 < Math.min(r, s) - 1
          ? [
              {
                id: 'bore',
                name: `bore ${boreMm} mm`,
                outline: ellipse({ x: 0, y: 0 }, boreMm / 2, boreMm / 2, 36),
              },
            ]
          : cuts,
      ...(Math.abs(r - s) > 0.2 && {
        sections: [
          { atMm: 0, region: [outline(r)] },
          { atMm: t, region: [outline(s)] },
        ],
      }),
      layers: count,
      ...(i > 0 && { backed: true as const }),
      ...(i > 0 && i < count - 1 && { inside: true as const }),
      ply,
    });
  });
  return { panels, joins: [], errorMm, count, checks: tooMany(wanted) };
}

/**
 * The inner face of a wall that follows a profile, r and z: the profile moved in square to itself, mitred where it turns
 * and cut level at its ends. Points that would pass each other or the axis are held back.
 */
export function innerProfile(
  profile: readonly Turn[],
  wallMm: number,
  share = 1,
): { r: number; z: number }[] {
  const points = profile.map((p) => ({ r: (p.acrossMm / 2) * share, z: p.zMm }));
  const inward = points.slice(1).map((q, i) => {
    const p = itemAt(points, i);
    const size = Math.hypot(q.r - p.r, q.z - p.z);
    return { r: -(q.z - p.z) / size, z: (q.r - p.r) / size };
  });
  let lastZ = -Infinity;
  return points.map((p, i) => {
    const [a, b] = [inward[i - 1], inward[i]];
    const n = a ?? b!;
    let to: { r: number; z: number };
    if (a && b) {
      // Where both walls' inner faces meet: along the sum of their normals.
      const by = wallMm / (1 + a.r * b.r + a.z * b.z);
      to = { r: p.r + (a.r + b.r) * by, z: p.z + (a.z + b.z) * by };
    } else to = { r: p.r + wallMm / n.r, z: p.z };
    const held = { r: Math.max(0.4, to.r), z: Math.max(to.z, lastZ + 0.3) };
    lastZ = held.z;
    return held;
  });
}

/** A ring of a surface of revolution, its outer face on the profile. */
const ringAt = (z: number, r: number, turn: number): Vec3 => ({
  x: r * Math.cos(turn),
  y: r * Math.sin(turn),
  z,
});

/** Ends of what stands on the axis are cut level, however its walls lean. */
export const level: NonNullable<Panel['cutIn']> = {
  bottom: { x: 0, y: 0, z: 1 },
  top: { x: 0, y: 0, z: 1 },
};

/** Bands between the points of a profile, each a cone or a ring with its seam behind. */
export function frusta(
  { foam, ply }: Pick<FormInput<unknown>, 'foam' | 'ply'>,
  profile: readonly Turn[],
  id = 'band',
): Made {
  const t = foam.thicknessMm.value;
  const panels: Panel[] = [];
  const joins: Join[] = [];
  const inner = innerProfile(profile, t);
  profile.slice(1).forEach((_, i) => {
    const name = `${id}-${i + 1}`;
    const [low, high] = [itemAt(inner, i), itemAt(inner, i + 1)];
    panels.push({
      id: name,
      name: `${id} ${i + 1}`,
      grid: gridOf(48, 2, (u, v) =>
        ringAt(low.z + v * (high.z - low.z), low.r + v * (high.r - low.r), -Math.PI / 2 + 2 * Math.PI * u),
      ),
      edges: { bottom: 'lower edge', right: 'seam', top: 'upper edge', left: 'seam' },
      cutIn: level,
      ply,
    });
    joins.push({ a: [name, 'right'], b: [name, 'left'], kind: 'seam' });
    if (i > 0) joins.push({ a: [`${id}-${i}`, 'top'], b: [name, 'bottom'], kind: 'seam' });
  });
  return { panels, joins };
}
