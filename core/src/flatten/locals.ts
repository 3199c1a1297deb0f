import { cross3, dot3, length3, type Mesh, sub3 } from '../geometry';

/**
 * Triangles laid in their own planes, as flat arrays: corner a at the origin, b along x at `bx`, c at (`cx`, `cy`);
 * the weighted cotangents of the corners at a, b and c; and the weighted square of the sides, each by its cotangent.
 */
export interface Locals {
  corners: Int32Array;
  bx: Float64Array;
  cx: Float64Array;
  cy: Float64Array;
  ka: Float64Array;
  kb: Float64Array;
  kc: Float64Array;
  own: Float64Array;
}

/** A height over its side below which a triangle is taken for this thick: its cotangents would be without bounds. */
const THINNEST = 1e-4;

/**
 * Obtuse corners keep their negative cotangents. Those of one triangle together are its Dirichlet energy, which is
 * never negative, so the system stays positive definite whatever its corners are; raising them changes the energy.
 */
export function localsOf(mesh: Mesh, weights: readonly number[] | undefined): Locals {
  const count = mesh.triangles.length;
  const array = (): Float64Array => new Float64Array(count);
  const made: Locals = {
    corners: new Int32Array(3 * count),
    bx: array(),
    cx: array(),
    cy: array(),
    ka: array(),
    kb: array(),
    kc: array(),
    own: array(),
  };
  mesh.triangles.forEach(([ia, ib, ic], t) => {
    made.corners.set([ia, ib, ic], 3 * t);
    const a = mesh.points[ia]!;
    const ab = sub3(mesh.points[ib]!, a);
    const ac = sub3(mesh.points[ic]!, a);
    // A side shorter than a nanometre cannot be told from none.
    const bx = Math.max(length3(ab), 1e-6);
    const cx = dot3(ab, ac) / bx;
    const cy = Math.max(length3(cross3(ab, ac)) / bx, THINNEST * Math.max(bx, Math.abs(cx)));
    const twice = 2 * bx * cy;
    const bc2 = (cx - bx) ** 2 + cy * cy;
    const ac2 = cx * cx + cy * cy;
    const ab2 = bx * bx;
    const w = weights?.[t] ?? 1;
    const cot = (opposite: number, u: number, v: number): number => (w * (u + v - opposite)) / twice;
    made.bx[t] = bx;
    made.cx[t] = cx;
    made.cy[t] = cy;
    made.ka[t] = cot(bc2, ab2, ac2);
    made.kb[t] = cot(ac2, ab2, bc2);
    made.kc[t] = cot(ab2, ac2, bc2);
    made.own[t] = made.ka[t]! * bc2 + made.kb[t]! * ac2 + made.kc[t]! * ab2;
  });
  return made;
}
