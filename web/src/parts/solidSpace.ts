import { armSection } from '@fomrik/core/body/arm';
import type { Body } from '@fomrik/core/body/estimate';
import { ellipseAtNormal } from '@fomrik/core/geometry/ellipse';
import type { Mesh } from '@fomrik/core/geometry/mesh';
import type { Vec3 } from '@fomrik/core/geometry/vec';
import { BufferGeometry, Float32BufferAttribute, Vector3 } from 'three';
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js';

/** The limb stands upright with its back to the eye: form (x back, y side, z along) → scene (y, z, x). */
export const toScene = (p: Vec3): [number, number, number] => [p.y, p.z, p.x];
export const fromScene = (v: Vector3): Vec3 => ({ x: v.z, y: v.x, z: v.y });

/** A core mesh as three.js geometry with crisp rims. */
export function meshGeometry(mesh: Mesh): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(mesh.points.flatMap(toScene), 3));
  geometry.setIndex(mesh.triangles.flat());
  return toCreasedNormals(geometry, 0.6);
}

/** The bare arm and a hint of the hand, for scale. */
export function armGeometry(body: Body): BufferGeometry {
  const length = body.forearmLength.valueMm;
  const rings = 24;
  const around = 40;
  const sections = Array.from({ length: rings + 1 }, (_, r) => {
    const at = (r / rings) * length;
    const section = armSection(body, at);
    return Array.from({ length: around }, (_, i) => ({
      ...ellipseAtNormal(section, (i / around) * 2 * Math.PI),
      z: at,
    }));
  });
  const hand = body.handLength.valueMm;
  const breadth = body.handGirth.valueMm / 2.5;
  const handRings = [0.25, 0.5, 0.75, 0.95].map((share) =>
    Array.from({ length: around }, (_, i) => {
      const angle = (i / around) * 2 * Math.PI;
      const wide = (breadth / 2) * (share < 0.6 ? 1 : 1.35 - share * 0.65);
      return { x: Math.cos(angle) * 11 * (1.15 - share * 0.6), y: Math.sin(angle) * wide, z: -hand * share };
    }),
  );
  const all = [...handRings.reverse(), ...sections];
  const points = all.flat();
  const triangles: [number, number, number][] = [];
  for (let r = 0; r < all.length - 1; r++) {
    for (let i = 0; i < around; i++) {
      const [a, b] = [r * around + i, r * around + ((i + 1) % around)];
      triangles.push([a, b, b + around], [a, b + around, a + around]);
    }
  }
  return meshGeometry({ points, triangles });
}
