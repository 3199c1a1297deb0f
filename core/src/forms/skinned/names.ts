import { itemAt } from '../../units';
import type { Charted } from '../../skin';

/** Pieces are numbered from the top down. */
export function namesOf(charted: Charted): (chart: number) => string {
  const sums = new Map<number, { z: number; x: number; n: number }>();
  charted.mesh.triangles.forEach((t, i) => {
    const c = itemAt(charted.chart, i);
    const s = sums.get(c) ?? { z: 0, x: 0, n: 0 };
    for (const v of t) {
      s.z += itemAt(charted.mesh.points, v).z;
      s.x += itemAt(charted.mesh.points, v).x;
      s.n += 1;
    }
    sums.set(c, s);
  });
  const order = [...sums].sort(([, a], [, b]) => b.z / b.n - a.z / a.n || a.x / a.n - b.x / b.n);
  const place = new Map(order.map(([c], i) => [c, i + 1]));
  return (c) => `piece ${place.get(c) ?? c + 1}`;
}
