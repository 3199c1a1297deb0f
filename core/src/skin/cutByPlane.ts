import { itemAt } from '../units';
import { dot3, lerp3, sub3, type Vec3 } from '../geometry';
import { type Charted, connected, edgeKey, type Inserted, withPoints } from './charted';

/** A vertex nearer to the plane than this share of an edge that crosses it counts as on it, so that no slivers are made. */
const SNAP = 0.06;

/**
 * One chart, or all of them, parted by a plane; charts that are not cut share the new points along their seams.
 * @param only the chart that is cut; all when absent.
 */
export function cutByPlane(charted: Charted, through: Vec3, normal: Vec3, only?: number): Charted {
  const { mesh, chart } = charted;
  const height = mesh.points.map((p) => dot3(sub3(p, through), normal));
  const mine = (t: number): boolean => only === undefined || chart[t] === only;
  mesh.triangles.forEach((t, i) => {
    if (!mine(i)) return;
    for (let k = 0; k < 3; k++) {
      const [a, b] = [itemAt(t, k), itemAt(t, (k + 1) % 3)];
      const [ha, hb] = [itemAt(height, a), itemAt(height, b)];
      if (ha * hb >= 0) continue;
      const span = Math.abs(ha - hb);
      if (Math.abs(ha) < SNAP * span) height[a] = 0;
      else if (Math.abs(hb) < SNAP * span) height[b] = 0;
    }
  });
  const on: Inserted = new Map();
  const points: Vec3[] = [];
  mesh.triangles.forEach((t, i) => {
    if (!mine(i)) return;
    for (let k = 0; k < 3; k++) {
      const [a, b] = [itemAt(t, k), itemAt(t, (k + 1) % 3)];
      const [ha, hb] = [itemAt(height, a), itemAt(height, b)];
      const key = edgeKey(a, b);
      if (ha * hb >= 0 || on.has(key)) continue;
      on.set(key, mesh.points.length + points.length);
      points.push(lerp3(itemAt(mesh.points, a), itemAt(mesh.points, b), ha / (ha - hb)));
    }
  });
  const heights = [...height, ...points.map(() => 0)];
  const split = withPoints(charted, points, on);
  const next = split.chart.reduce((most, c) => Math.max(most, c + 1), 0);
  return connected({
    mesh: split.mesh,
    chart: split.chart.map((c, t) => {
      if (only !== undefined && c !== only) return c;
      const sum = itemAt(split.mesh.triangles, t).reduce((s, v) => s + itemAt(heights, v), 0);
      return sum > 0 ? next + c : c;
    }),
  });
}
