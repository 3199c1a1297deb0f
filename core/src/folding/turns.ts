import { Matrix4, Quaternion, Vector3 } from 'three';
import { cross3, dot3, scale3, sub3, type Vec2, type Vec3 } from '../geometry';

/** How a corner of a flat piece lies in space: turned, after it was stretched within its plane. */
export interface Turn {
  turn: Quaternion;
  /** Stretch within the plane: [xx, xy, yy]. */
  stretch: readonly [number, number, number];
}

/** Smaller than this, mm², a triangle says nothing of how it is turned. */
const LEAST_MM2 = 1e-3;

/**
 * How a flat triangle is turned and stretched to be one in space (polar decomposition of the way from one to the other).
 * Nothing for one of no area.
 */
export function turnOf(
  flat: readonly [Vec2, Vec2, Vec2],
  space: readonly [Vec3, Vec3, Vec3],
): Turn | undefined {
  const [e, f] = [
    { x: flat[1].x - flat[0].x, y: flat[1].y - flat[0].y },
    { x: flat[2].x - flat[0].x, y: flat[2].y - flat[0].y },
  ];
  const det = e.x * f.y - e.y * f.x;
  if (Math.abs(det) < LEAST_MM2) return undefined;
  const [p, q] = [sub3(space[1], space[0]), sub3(space[2], space[0])];
  // Where one millimetre along x and along y of the flat goes.
  const ax = scale3(sub3(scale3(p, f.y), scale3(q, e.y)), 1 / det);
  const ay = scale3(sub3(scale3(q, e.x), scale3(p, f.x)), 1 / det);
  const [xx, xy, yy] = [dot3(ax, ax), dot3(ax, ay), dot3(ay, ay)];
  const root = Math.sqrt(Math.max(0, xx * yy - xy * xy));
  const trace = Math.sqrt(xx + yy + 2 * root);
  if (root < 1e-6 || trace < 1e-6) return undefined;
  const stretch = [(xx + root) / trace, xy / trace, (yy + root) / trace] as const;
  const size = stretch[0] * stretch[2] - stretch[1] ** 2;
  // The turn is what is left when the stretch is taken off.
  const x = scale3(sub3(scale3(ax, stretch[2]), scale3(ay, stretch[1])), 1 / size);
  const y = scale3(sub3(scale3(ay, stretch[0]), scale3(ax, stretch[1])), 1 / size);
  const z = cross3(x, y);
  const basis = new Matrix4().makeBasis(
    new Vector3(x.x, x.y, x.z),
    new Vector3(y.x, y.y, y.z),
    new Vector3(z.x, z.y, z.z),
  );
  return { turn: new Quaternion().setFromRotationMatrix(basis), stretch };
}

/** A turn as an axis as long as the angle is wide, radians. */
export function angleOf(turn: Quaternion): Vector3 {
  const q = turn.w < 0 ? new Quaternion(-turn.x, -turn.y, -turn.z, -turn.w) : turn;
  const sine = Math.hypot(q.x, q.y, q.z);
  if (sine < 1e-9) return new Vector3();
  return new Vector3(q.x, q.y, q.z).multiplyScalar((2 * Math.atan2(sine, q.w)) / sine);
}

/** Of all ways to write a turn, the one nearest to another: beyond half a turn it goes on rather than back. */
export function nearestTo(angle: Vector3, other: Vector3): Vector3 {
  const size = angle.length();
  if (size < 1e-9) return angle;
  const around = Math.round((other.dot(angle) / size - size) / (2 * Math.PI));
  return angle.clone().multiplyScalar(1 + (around * 2 * Math.PI) / size);
}

/** A turn from its angle. */
export function turnBy(angle: Vector3): Quaternion {
  const size = angle.length();
  return size < 1e-9
    ? new Quaternion()
    : new Quaternion().setFromAxisAngle(angle.clone().multiplyScalar(1 / size), size);
}
