import { type Mesh, scale3, type Vec3 } from '../geometry';
import { chance, itemAt } from '../units';

/** What a scanner does to a thing. */
export interface Scanner {
  /** Deviation of every point, mm. */
  noiseMm?: number;
  /** Share of faces the beam did not reach, and of those that came twice or the wrong way round. */
  holes?: number;
  doubled?: number;
  turned?: number;
  /** Loose specks in the air. */
  specks?: number;
  perUnitMm?: number;
  seed?: number;
}

/**
 * A stand-in for a scanner of heads and things: every face with corners of its own, as scanners write them, with noise,
 * holes, faces doubled and turned, and specks. The same seed gives the same scan.
 */
export function scanned(
  { points, triangles }: Mesh,
  {
    noiseMm = 0.3,
    holes = 0.01,
    doubled = 0.01,
    turned = 0.01,
    specks = 3,
    perUnitMm = 1,
    seed = 1,
  }: Scanner = {},
): Mesh {
  const roll = chance(seed);
  const jitter = (): number => (roll() + roll() + roll() - 1.5) * noiseMm;
  // One point is read once, however many faces meet there.
  const read = points.map((p): Vec3 => ({ x: p.x + jitter(), y: p.y + jitter(), z: p.z + jitter() }));
  const out: Mesh = { points: [], triangles: [] };
  const put = (corners: readonly Vec3[]): void => {
    const at = out.points.length;
    out.points.push(...corners.map((p) => scale3(p, 1 / perUnitMm)));
    out.triangles.push([at, at + 1, at + 2]);
  };
  for (const [a, b, c] of triangles) {
    if (roll() < holes) continue;
    const corners = [itemAt(read, a), itemAt(read, b), itemAt(read, c)];
    put(roll() < turned ? [...corners].reverse() : corners);
    if (roll() < doubled) put(corners);
  }
  const reach = Math.max(...points.map((p) => Math.abs(p.x) + Math.abs(p.y) + Math.abs(p.z)));
  for (let i = 0; i < specks; i++) {
    const spot = { x: (roll() - 0.5) * reach, y: (roll() - 0.5) * reach, z: reach * (1.2 + roll()) };
    put([spot, { ...spot, x: spot.x + 1 }, { ...spot, y: spot.y + 1 }]);
  }
  return out;
}
