import type { Fastening, Tie } from '../forms';
import { dist3, type Vec3 } from '../geometry';
import { closures } from '../materials';
import type { PartReport } from '../parts';

/** A strap to cut: whose it is, how many on the wearer, how long with its overlap. */
export interface Strap extends Fastening {
  partId: string;
  name: string;
}

export type StrappedPart = Pick<PartReport, 'id' | 'name' | 'copies' | 'fastenings' | 'ties' | 'alone'>;

const nearest = (a: readonly Vec3[], b: readonly Vec3[]): number =>
  a.reduce((least, p) => b.reduce((l, q) => Math.min(l, dist3(p, q)), least), Infinity);

const heightOf = (points: readonly Vec3[]): number =>
  points.reduce((m, p) => Math.max(m, p.z), -Infinity) - points.reduce((m, p) => Math.min(m, p.z), Infinity);

/** A tie drawn from one part to its other end. */
function drawn({ points, factor, fastening }: Tie, to: Tie): Fastening {
  const gapMm = nearest(points, to.points) * factor;
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
