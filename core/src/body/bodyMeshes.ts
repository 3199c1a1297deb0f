import { ellipseAtNormal, type Mesh, type Vec3 } from '../geometry';
import type { Body } from './estimate';
import { figure } from './figure';
import { junctions } from './junctions';
import { type Limb, limbLengthMm, limbSection } from './sections';
import { type Zone, zoneInfo } from './zones';

/** The bodies a part is shown on: its own limb in limb space, or the whole figure. */
export function bodyMeshes(body: Body, zone: Zone | undefined): Mesh[] {
  if (!zone) return [];
  const { limb, frame } = zoneInfo(zone);
  if (limb) return [limbMesh(body, limb)];
  return frame ? [] : [...figure(body).parts, ...junctions(body)].map((p) => p.mesh);
}

/** A limb alone, upright from its narrow end. */
function limbMesh(body: Body, limb: Limb): Mesh {
  const length = limbLengthMm(body, limb);
  const rings = 24;
  const steps = 40;
  const points = Array.from({ length: rings + 1 }, (_, r) => {
    const at = (r / rings) * length;
    const section = limbSection(body, limb, at);
    return Array.from({ length: steps }, (_, i) => ({
      ...ellipseAtNormal(section, (i / steps) * 2 * Math.PI),
      z: at,
    }));
  });
  const hand = limb === 'forearm' ? handRings(body, steps) : [];
  const all = [...hand, ...points];
  const triangles: [number, number, number][] = [];
  for (let r = 0; r < all.length - 1; r++) {
    for (let i = 0; i < steps; i++) {
      const [a, b] = [r * steps + i, r * steps + ((i + 1) % steps)];
      triangles.push([a, b, b + steps], [a, b + steps, a + steps]);
    }
  }
  return { points: all.flat(), triangles };
}

/** A hint of the hand, for scale, fingertips first. */
function handRings(body: Body, steps: number): Vec3[][] {
  const hand = body.handLength.valueMm;
  const breadth = body.handGirth.valueMm / 2.5;
  return [0.95, 0.75, 0.5, 0.25].map((share) =>
    Array.from({ length: steps }, (_, i) => {
      const angle = (i / steps) * 2 * Math.PI;
      const wide = (breadth / 2) * (share < 0.6 ? 1 : 1.35 - share * 0.65);
      return { x: Math.cos(angle) * 11 * (1.15 - share * 0.6), y: Math.sin(angle) * wide, z: -hand * share };
    }),
  );
}
