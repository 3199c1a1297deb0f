import { itemAt } from '../units';
import type { KeptMesh } from '../document';
import type { Mesh } from '../geometry';

/** A kept surface as points and triangles. */
export function meshOf({ points, triangles }: Pick<KeptMesh, 'points' | 'triangles'>): Mesh {
  const made: Mesh = { points: [], triangles: [] };
  for (let i = 0; i + 2 < points.length; i += 3)
    made.points.push({ x: itemAt(points, i), y: itemAt(points, i + 1), z: itemAt(points, i + 2) });
  for (let i = 0; i + 2 < triangles.length; i += 3)
    made.triangles.push([itemAt(triangles, i), itemAt(triangles, i + 1), itemAt(triangles, i + 2)]);
  return made;
}

/** A surface as it is kept, to a tenth of a millimetre. */
export const keepMesh = (id: string, name: string, { points, triangles }: Mesh): KeptMesh => ({
  id,
  name,
  points: points.flatMap((p) => [p.x, p.y, p.z].map((v) => Math.round(v * 10) / 10)),
  triangles: triangles.flat(),
});
