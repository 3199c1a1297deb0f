import { firstOf, GRAVITY_M_S2, itemAt, lastOf } from '../../units';
import { dist3, lerp3, type Vec3 } from '../../geometry';

/** What a free edge is made of where it sags. */
export interface EdgeFoam {
  densityKgM3: number;
  modulusMPa: number;
  thicknessMm: number;
}

/**
 * Squared radius of gyration of the cross-section of a curved strip, mm²: t²/12 of the sheet itself and 4s²/45 of
 * an arc of rise s taken as a parabola (parallel-axis theorem; beam tables).
 */
export const gyration2 = (thicknessMm: number, riseMm: number): number =>
  thicknessMm ** 2 / 12 + (4 / 45) * riseMm ** 2;

/**
 * Tip sag of a cantilever of length L under its own weight, wL⁴/8EI (beam tables). With w = ρgA and I = A·i² the
 * area drops out: ρgL⁴ / (8·E·i²).
 * @returns millimetres.
 */
export function ownWeightSagMm(foam: EdgeFoam, lengthMm: number, riseMm: number): number {
  const l = lengthMm / 1000;
  const i2 = gyration2(foam.thicknessMm, riseMm) * 1e-6;
  return ((foam.densityKgM3 * GRAVITY_M_S2 * l ** 4) / (8 * foam.modulusMPa * 1e6 * i2)) * 1000;
}

/** How far the middle of a run stands off the straight line between its ends. */
export function riseMm(run: readonly Vec3[]): number {
  const [a, b] = [firstOf(run), lastOf(run)];
  const chord = dist3(a, b);
  if (chord < 1e-6) return 0;
  return run.reduce((most, p) => {
    const t = Math.min(
      1,
      Math.max(
        0,
        ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y) + (p.z - a.z) * (b.z - a.z)) / chord ** 2,
      ),
    );
    return Math.max(most, dist3(p, lerp3(a, b, t)));
  }, 0);
}

/** Where an edge stands furthest from what holds it. */
export interface Overhang {
  at: Vec3;
  lengthMm: number;
  riseMm: number;
  /** Share of its weight across the sheet: all of it when the sheet lies level, none when it stands or hangs upright. */
  across: number;
}

/** The point of a free edge that its weight bends most between supports (z is up), and the rise of the edge within that reach of it. */
export function overhangOf(
  edge: readonly Vec3[],
  normals: readonly Vec3[],
  supports: readonly Vec3[],
): Overhang | undefined {
  if (supports.length === 0 || edge.length < 2) return undefined;
  const reaches = edge.map((at, i) => {
    const from = supports.reduce((a, b) => (dist3(b, at) < dist3(a, at) ? b : a));
    return { at, lengthMm: dist3(from, at), across: Math.abs(itemAt(normals, i).z) };
  });
  // Sag goes with the fourth power of reach and with the share of weight across it.
  const worst = reaches.reduce((a, b) => (b.across * b.lengthMm ** 4 > a.across * a.lengthMm ** 4 ? b : a));
  const near = edge.filter((p) => dist3(p, worst.at) <= worst.lengthMm / 2);
  return { ...worst, riseMm: near.length > 2 ? riseMm(near) : 0 };
}
