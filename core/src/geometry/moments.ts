import type { Mesh } from './mesh';
import { add3, scale3, sub3, type Vec3 } from './vec';

/** Second moments of mass about a point: Σ m·x², and so on; g·mm². */
export interface Tensor {
  xx: number;
  yy: number;
  zz: number;
  xy: number;
  xz: number;
  yz: number;
}

/** A body's mass in grams, its middle, and its second moments about that middle. */
export interface Weight {
  massG: number;
  at: Vec3;
  spread: Tensor;
}

const none: Tensor = { xx: 0, yy: 0, zz: 0, xy: 0, xz: 0, yz: 0 };

const outer = (a: Vec3, b: Vec3, by: number): Tensor => ({
  xx: a.x * b.x * by,
  yy: a.y * b.y * by,
  zz: a.z * b.z * by,
  xy: ((a.x * b.y + a.y * b.x) / 2) * by,
  xz: ((a.x * b.z + a.z * b.x) / 2) * by,
  yz: ((a.y * b.z + a.z * b.y) / 2) * by,
});

const plus = (a: Tensor, b: Tensor, by = 1): Tensor => ({
  xx: a.xx + by * b.xx,
  yy: a.yy + by * b.yy,
  zz: a.zz + by * b.zz,
  xy: a.xy + by * b.xy,
  xz: a.xz + by * b.xz,
  yz: a.yz + by * b.yz,
});

const weightless: Weight = { massG: 0, at: { x: 0, y: 0, z: 0 }, spread: none };

/** Everything in one point. */
export const pointWeight = (massG: number, at: Vec3): Weight => ({ massG, at, spread: none });

/**
 * A closed mesh filled evenly with a mass: the volume, centre and second moments are exact sums over tetrahedra
 * from one point (Tonon, Explicit exact formulas for the 3-D tetrahedron inertia tensor, 2004).
 */
export function meshWeight({ points, triangles }: Mesh, massG: number): Weight {
  const from = points[0];
  if (!from || massG === 0) return weightless;
  // Plain sums: this runs over every triangle of every part.
  let [volume, fx, fy, fz] = [0, 0, 0, 0];
  let [xx, yy, zz, xy, xz, yz] = [0, 0, 0, 0, 0, 0];
  for (const [i, j, k] of triangles) {
    const [p, q, r] = [points[i]!, points[j]!, points[k]!];
    const [ax, ay, az] = [p.x - from.x, p.y - from.y, p.z - from.z];
    const [bx, by, bz] = [q.x - from.x, q.y - from.y, q.z - from.z];
    const [cx, cy, cz] = [r.x - from.x, r.y - from.y, r.z - from.z];
    const v = (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
    const [sx, sy, sz] = [ax + bx + cx, ay + by + cy, az + bz + cz];
    const w = v / 20;
    volume += v;
    fx += (sx * v) / 4;
    fy += (sy * v) / 4;
    fz += (sz * v) / 4;
    xx += w * (sx * sx + ax * ax + bx * bx + cx * cx);
    yy += w * (sy * sy + ay * ay + by * by + cy * cy);
    zz += w * (sz * sz + az * az + bz * bz + cz * cz);
    xy += w * (sx * sy + ax * ay + bx * by + cx * cy);
    xz += w * (sx * sz + ax * az + bx * bz + cx * cz);
    yz += w * (sy * sz + ay * az + by * bz + cy * cz);
  }
  if (Math.abs(volume) < 1e-9) return pointWeight(massG, from);
  const middle = scale3({ x: fx, y: fy, z: fz }, 1 / volume);
  const about = plus({ xx, yy, zz, xy, xz, yz }, outer(middle, middle, volume), -1);
  return { massG, at: add3(from, middle), spread: plus(none, about, massG / volume) };
}

/** A straight rod of even mass; its own thickness is left out. */
export function rodWeight(from: Vec3, to: Vec3, massG: number): Weight {
  const run = sub3(to, from);
  return { massG, at: add3(from, scale3(run, 0.5)), spread: outer(run, run, massG / 12) };
}

/** Bodies taken together, by the parallel-axis theorem. */
export function togetherWeight(all: readonly Weight[]): Weight {
  const massG = all.reduce((sum, w) => sum + w.massG, 0);
  if (massG === 0) return weightless;
  const at = scale3(
    all.reduce((sum, w) => add3(sum, scale3(w.at, w.massG)), { x: 0, y: 0, z: 0 }),
    1 / massG,
  );
  const spread = all.reduce((sum, w) => {
    const d = sub3(w.at, at);
    return plus(plus(sum, w.spread), outer(d, d, w.massG));
  }, none);
  return { massG, at, spread };
}

/** The same body carried elsewhere by a rigid placing (turned, shifted or mirrored). */
export function placedWeight({ massG, at, spread }: Weight, place: (p: Vec3) => Vec3): Weight {
  const o = place({ x: 0, y: 0, z: 0 });
  const axes = [
    { x: 1, y: 0, z: 0 },
    { x: 0, y: 1, z: 0 },
    { x: 0, y: 0, z: 1 },
  ].map((e) => sub3(place(e), o)) as [Vec3, Vec3, Vec3];
  const [x, y, z] = axes;
  const terms: [Vec3, Vec3, number][] = [
    [x, x, spread.xx],
    [y, y, spread.yy],
    [z, z, spread.zz],
    [x, y, 2 * spread.xy],
    [x, z, 2 * spread.xz],
    [y, z, 2 * spread.yz],
  ];
  return {
    massG,
    at: place(at),
    spread: terms.reduce((sum, [a, b, by]) => plus(sum, outer(a, b, by)), none),
  };
}

/** Moment of inertia about an axis through a point along a unit vector, g·mm². */
export function inertiaAbout({ massG, at, spread }: Weight, point: Vec3, axis: Vec3): number {
  const d = sub3(at, point);
  const all = plus(spread, outer(d, d, massG));
  const along =
    all.xx * axis.x ** 2 +
    all.yy * axis.y ** 2 +
    all.zz * axis.z ** 2 +
    2 * (all.xy * axis.x * axis.y + all.xz * axis.x * axis.z + all.yz * axis.y * axis.z);
  return all.xx + all.yy + all.zz - along;
}
