import type { Fastening, Mould, Tie } from '../forms';
import { add3, dist3, drawnBetween, scale3, type Vec2, type Vec3 } from '../geometry';
import { closures } from '../materials';
import type { PartReport } from '../parts';
import { itemAt } from '../units';

/** A strap to cut: whose it is, how many on the wearer, how long with its overlap. */
export interface Strap extends Fastening {
  partId: string;
  name: string;
}

export type StrappedPart = Pick<PartReport, 'id' | 'name' | 'copies' | 'fastenings' | 'ties' | 'alone'>;

/** The two points that are nearest to each other, one of either list; both lists have one at least. */
function nearest(a: readonly Vec3[], b: readonly Vec3[]): readonly [Vec3, Vec3] {
  let [pair, least] = [[itemAt(a, 0), itemAt(b, 0)] as const, Infinity];
  for (const p of a)
    for (const q of b) {
      const mm = dist3(p, q);
      if (mm < least) [pair, least] = [[p, q], mm];
    }
  return pair;
}

/** Seen across its plane, so that what it is drawn over lies to the left from front to back of the right side. */
const seen = (plane: Mould['plane'], p: Vec3): Vec2 =>
  plane === 'upright' ? { x: -p.y, y: p.z } : { x: p.x, y: p.y };
const aside = (plane: Mould['plane'], p: Vec3): number => (plane === 'upright' ? p.x : p.z);

/** A strap drawn tight from the near end to the far one, over the wearer where the straight way would go through. */
function wayMm(from: Vec3, to: Vec3, over: readonly Mould[]): number {
  const middle = scale3(add3(from, to), 0.5);
  const off = ({ plane, points }: Mould): number =>
    Math.abs(aside(plane, itemAt(points, 0)) - aside(plane, middle));
  const [first, ...others] = over;
  if (!first) return dist3(from, to);
  const { plane, points } = others.reduce((best, m) => (off(m) < off(best) ? m : best), first);
  const flatMm = drawnBetween(
    seen(plane, from),
    seen(plane, to),
    points.map((p) => seen(plane, p)),
  );
  return Math.hypot(flatMm, aside(plane, from) - aside(plane, to));
}

const heightOf = (points: readonly Vec3[]): number =>
  points.reduce((m, p) => Math.max(m, p.z), -Infinity) - points.reduce((m, p) => Math.min(m, p.z), Infinity);

/** A tie drawn from one part to its other end. */
function drawn({ points, over, fastening }: Tie, to: Tie): Fastening {
  const gapMm = wayMm(...nearest(points, to.points), over);
  return {
    ...fastening,
    lengthMm: closures[fastening.closure].betweenMm(heightOf(points), gapMm, fastening.overlapMm),
  };
}

/** What ties a part to others, or holds it when the other is not there. */
function tiesOf(part: StrappedPart, parts: readonly StrappedPart[]): Fastening[] {
  if (part.ties.length === 0) return [];
  const partner = (tie: Tie): Tie | undefined =>
    parts
      .filter((p) => p.id !== part.id)
      .flatMap((p) => p.ties)
      .find((o) => o.name === tie.name && o.end !== tie.end);
  const pairs = part.ties.map((tie) => ({ tie, other: partner(tie) }));
  if (pairs.every(({ other }) => !other)) return part.alone;
  // The near end tells of the strap; the far end is reported there.
  return pairs.flatMap(({ tie, other }) => (other && tie.end === 'near' ? [drawn(tie, other)] : []));
}

/** Every strap, lace and elastic of the build, to be cut and placed: one list for lengths, cost, mass and steps. */
export const strapsOf = (parts: readonly StrappedPart[]): Strap[] =>
  parts.flatMap((part) => {
    const base = { partId: part.id, name: part.name };
    return [
      ...part.fastenings.map((f) => ({ ...f, ...base, count: f.count * part.copies })),
      ...tiesOf(part, parts).map((f) => ({ ...f, ...base })),
    ];
  });
