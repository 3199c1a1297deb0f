import { itemAt, firstOf } from '../../units';
import { dot3, lerp3, type Mesh, sub3, type Vec2, type Vec3 } from '../../geometry';

/** A plane of movement: a joint's middle, the way along the limb or trunk, and the way the moving side swings. */
export interface MotionPlane {
  pivot: Vec3;
  along: Vec3;
  towards: Vec3;
  normal: Vec3;
}

export type Segment = [Vec2, Vec2];

export const inPlane = ({ pivot, along, towards }: MotionPlane, p: Vec3): Vec2 => {
  const d = sub3(p, pivot);
  return { x: dot3(d, along), y: dot3(d, towards) };
};

/** Where a mesh crosses the plane, as unordered runs in its coordinates: x along, y towards. */
export function crossing(mesh: Mesh, plane: MotionPlane, place: (p: Vec3) => Vec3): Segment[] {
  const placed = mesh.points.map(place);
  const side = placed.map((p) => dot3(sub3(p, plane.pivot), plane.normal));
  return mesh.triangles.flatMap((triangle): Segment[] => {
    const hits: Vec2[] = [];
    for (let i = 0; i < 3; i++) {
      const a = itemAt(triangle, i);
      const b = itemAt(triangle, (i + 1) % 3);
      const [p, q] = [itemAt(side, a), itemAt(side, b)];
      if (p > 0 !== q > 0)
        hits.push(inPlane(plane, lerp3(itemAt(placed, a), itemAt(placed, b), p / (p - q))));
    }
    return hits.length === 2 ? [[firstOf(hits), itemAt(hits, 1)]] : [];
  });
}

/** A line of points as runs between neighbours. */
export const runs = (points: readonly Vec2[]): Segment[] =>
  points.slice(1).map((p, i): Segment => [itemAt(points, i), p]);
