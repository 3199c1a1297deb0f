import { firstOf } from '../units';
import type { Mesh } from './mesh';
import type { Vec3 } from './vec';

/** Points of a full round; a hole so drawn is tighter than the true round by under 0.06 % of its width. */
const ROUND = 96;

/** A level ring of points about the upright axis, counter-clockwise from above. */
export const roundRing = (radiusMm: number, z: number): Vec3[] =>
  Array.from({ length: ROUND }, (_, k) => {
    const a = (2 * Math.PI * k) / ROUND;
    return { x: radiusMm * Math.cos(a), y: radiusMm * Math.sin(a), z };
  });

export const boxRing = (widthMm: number, heightMm: number, z: number): Vec3[] =>
  [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([x, y]) => ({ x: (x! * widthMm) / 2, y: (y! * heightMm) / 2, z }));

/**
 * A solid whose skin runs from ring to ring: up its outside, and down again inside where it is hollow. Each ring has as
 * many points as the next, counter-clockwise from above. What runs back to its beginning is open through; else the first
 * and the last ring are closed by a flat.
 */
export function stacked(rings: readonly (readonly Vec3[])[], through = false): Mesh {
  const n = firstOf(rings).length;
  const points = rings.flatMap((ring) => [...ring]);
  const triangles: Mesh['triangles'] = [];
  const steps = through ? rings.length : rings.length - 1;
  for (let r = 0; r < steps; r++) {
    const [a, b] = [r * n, ((r + 1) % rings.length) * n];
    for (let k = 0; k < n; k++) {
      const q = (k + 1) % n;
      triangles.push([a + k, a + q, b + q], [a + k, b + q, b + k]);
    }
  }
  if (!through) {
    const last = (rings.length - 1) * n;
    for (let k = 1; k + 1 < n; k++) triangles.push([0, k + 1, k], [last, last + k, last + k + 1]);
  }
  return { points, triangles };
}
