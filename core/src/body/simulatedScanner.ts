import type { Mesh } from '../geometry';
import { chance } from '../units';
import type { Body } from './estimate';
import { figure } from './figure';

/** A scanner has the wearer hold the arms well away, radians. */
const SCAN_LEAN = 0.6;

/**
 * A stand-in for a body scanner: the wearer's figure as one mesh with noise on every point and holes
 * where the beam did not reach, in the unit asked for; the whole body or the head alone.
 */
export function simulateScan(
  body: Body,
  { noiseMm = 0.7, holes = 0.03, perUnitMm = 1, seed = 1, only = 'body' as 'body' | 'head' } = {},
): Mesh {
  const roll = chance(seed);
  const points: Mesh['points'] = [];
  const triangles: Mesh['triangles'] = [];
  const parts = figure(body, SCAN_LEAN).parts.filter((p) => only === 'body' || p.of === 'head');
  for (const { mesh } of parts) {
    const base = points.length;
    const jitter = (): number => (roll() + roll() + roll() - 1.5) * noiseMm;
    for (const p of mesh.points)
      points.push({ x: (p.x + jitter()) / perUnitMm, y: (p.y + jitter()) / perUnitMm, z: p.z / perUnitMm });
    for (const [a, b, c] of mesh.triangles)
      if (roll() > holes) triangles.push([a + base, b + base, c + base]);
  }
  return { points, triangles };
}
