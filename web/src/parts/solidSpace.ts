import type { Mesh, Vec3 } from '@fomrik/core/geometry';
import { BufferGeometry, Float32BufferAttribute, Vector3 } from 'three';
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js';

/** The limb stands upright with its back to the eye: form (x back, y side, z along) → scene (y, z, x). */
export const toScene = (p: Vec3): [number, number, number] => [p.y, p.z, p.x];
export const fromScene = (v: Vector3): Vec3 => ({ x: v.z, y: v.x, z: v.y });

/** A core mesh as three.js geometry with crisp rims. */
export function meshGeometry(
  mesh: Mesh,
  place: (p: Vec3) => [number, number, number] = toScene,
): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(mesh.points.flatMap(place), 3));
  geometry.setIndex(mesh.triangles.flat());
  return toCreasedNormals(geometry, 0.6);
}

/** Figure space (x wearer's right, y front, z up) faced: → scene (−x, z, y). */
export const figureToScene = (p: Vec3): [number, number, number] => [-p.x, p.z, p.y];
export const figureFromScene = (v: Vector3): Vec3 => ({ x: -v.x, y: v.z, z: v.y });
