import { getFrom, itemAt } from '../units';
import type { Mesh } from '../geometry';
import { edgeKey } from './charted';

/** The rims of a surface as runs of vertices, each with the surface on its left. */
export function rimsOf(
  { triangles }: Pick<Mesh, 'triangles'>,
  beside: ReadonlyMap<number, readonly number[]>,
): number[][] {
  const next = new Map<number, number[]>();
  for (const t of triangles)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [itemAt(t, k), itemAt(t, (k + 1) % 3)];
      if (getFrom(beside, edgeKey(a, b)).length === 1) next.set(a, [...(next.get(a) ?? []), b]);
    }
  const rims: number[][] = [];
  while (next.size > 0) {
    const [start] = next.keys();
    const rim: number[] = [];
    for (let at = start!; ;) {
      const to = next.get(at)?.pop();
      if (to === undefined) break;
      if (getFrom(next, at).length === 0) next.delete(at);
      rim.push(at);
      at = to;
      if (at === start) break;
    }
    rims.push(rim);
  }
  return rims;
}
