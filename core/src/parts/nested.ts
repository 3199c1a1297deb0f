import type { Mount } from '../document';
import type { PartReport } from './partReport';

/** Has the places that parts on a stick are put. */
export const carries = ({ anchors }: Pick<PartReport, 'anchors'>): boolean =>
  ['foot', 'hand', 'tip'].every((id) => anchors.some((a) => a.id === id));

/** One of a list of parts, so deep under what it is mounted on. */
export interface Nested<P> {
  part: P;
  deep: number;
  /** Parts mounted on it, directly or not. */
  under: number;
}

/** Parts in their order, each with those that are mounted on it after it. */
export function nested<P extends { id: string; mount: Mount }>(parts: readonly P[]): Nested<P>[] {
  const known = new Set(parts.map((p) => p.id));
  const hostOf = ({ mount }: P): string | undefined =>
    mount.to === 'part' && known.has(mount.part) ? mount.part : undefined;
  const below = (host: string | undefined, deep: number): Nested<P>[] =>
    deep > parts.length
      ? []
      : parts
          .filter((p) => hostOf(p) === host)
          .flatMap((part) => {
            const under = below(part.id, deep + 1);
            return [{ part, deep, under: under.length }, ...under];
          });
  return below(undefined, 0);
}
