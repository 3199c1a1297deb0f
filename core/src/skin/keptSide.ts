import { itemAt } from '../units';
import { dot3, type Mesh, sub3, type Vec3 } from '../geometry';
import { cutByPlane } from './cutByPlane';
import { numbering } from './numbering';
import { whole } from './propose';

/**
 * What lies on one side of a plane. Both sides meet in the same points, so that two parts made of them meet as closely as
 * they are cut. @param over the side the plane faces, or the other.
 */
export function keptSide(mesh: Mesh, through: Vec3, normal: Vec3, over: boolean): Mesh {
  const { mesh: cut } = cutByPlane(whole(mesh), through, normal);
  const height = cut.points.map((p) => dot3(sub3(p, through), normal));
  const { of: own, origin } = numbering();
  const triangles = cut.triangles
    .filter((t) => t.reduce((sum, v) => sum + itemAt(height, v), 0) > 0 === over)
    .map((t): Mesh['triangles'][number] => [own(t[0]), own(t[1]), own(t[2])]);
  return { points: origin.map((v) => itemAt(cut.points, v)), triangles };
}
