import { itemAt } from '../../units';
import { MeshoptSimplifier } from 'meshoptimizer';
import { dist3, fromTriangle, type Mesh, type Vec3 } from '../../geometry';

/** So many points of the surface before are measured to the one after. */
const PROBES = 1500;

/** The farthest that points of one surface lie from another, of evenly chosen ones. */
export function deviationMm(before: Mesh, after: Mesh): number {
  // Each triangle within a ball: only those whose ball comes nearer than the best so far are measured.
  const balls = after.triangles.map((t) => {
    const [a, b, c] = t.map((v) => itemAt(after.points, v)) as [Vec3, Vec3, Vec3];
    const middle = { x: (a.x + b.x + c.x) / 3, y: (a.y + b.y + c.y) / 3, z: (a.z + b.z + c.z) / 3 };
    return { a, b, c, middle, radius: Math.max(dist3(middle, a), dist3(middle, b), dist3(middle, c)) };
  });
  const away = new Float64Array(balls.length);
  const step = Math.max(1, Math.floor(before.points.length / PROBES));
  let worst = 0;
  for (let i = 0; i < before.points.length; i += step) {
    const p = itemAt(before.points, i);
    let near = 0;
    balls.forEach((ball, k) => {
      away[k] = dist3(ball.middle, p) - ball.radius;
      if (itemAt(away, k) < itemAt(away, near)) near = k;
    });
    let least = fromTriangle(p, itemAt(balls, near).a, itemAt(balls, near).b, itemAt(balls, near).c);
    for (let k = 0; k < balls.length && least > worst; k++)
      if (itemAt(away, k) < least)
        least = Math.min(least, fromTriangle(p, itemAt(balls, k).a, itemAt(balls, k).b, itemAt(balls, k).c));
    worst = Math.max(worst, least);
  }
  return worst;
}

/**
 * A surface of at most so many triangles, by collapsing edges where it deviates least (quadric error; the library's),
 * its openings kept; and how far it came to lie from the one before, measured.
 */
export async function simplified(mesh: Mesh, most: number): Promise<{ mesh: Mesh; deviationMm: number }> {
  if (mesh.triangles.length <= most) return { mesh, deviationMm: 0 };
  await MeshoptSimplifier.ready;
  const positions = new Float32Array(mesh.points.flatMap((p) => [p.x, p.y, p.z]));
  const [indices] = MeshoptSimplifier.simplify(
    new Uint32Array(mesh.triangles.flat()),
    positions,
    3,
    most * 3,
    1,
  );
  const to = new Map<number, number>();
  const points: Vec3[] = [];
  const number = (v: number): number => {
    let at = to.get(v);
    if (at === undefined) {
      to.set(v, (at = points.length));
      points.push(itemAt(mesh.points, v));
    }
    return at;
  };
  const triangles: Mesh['triangles'] = [];
  for (let i = 0; i + 2 < indices.length; i += 3)
    triangles.push([
      number(itemAt(indices, i)),
      number(itemAt(indices, i + 1)),
      number(itemAt(indices, i + 2)),
    ]);
  const made = { points, triangles };
  return { mesh: made, deviationMm: deviationMm(mesh, made) };
}
