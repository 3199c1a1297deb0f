import { itemAt } from '../units';
import { BufferAttribute, BufferGeometry, Triangle, Vector3 } from 'three';
import { type HitPointInfo, MeshBVH } from 'three-mesh-bvh';
import { add3, convexHull, dot3, scale3, sub3, unit3, type Vec2, type Vec3 } from '../geometry';
import { gridNormals, type Surface } from '../panel';

/** Room left round what is let in, mm; common practice, no source. */
export const EASE_MM = 0.5;
/** Fewer spots than this in the foam are no section. */
const LEAST_SPOTS = 3;
/** The nearest spot of a surface to a spot in space: where it is on the piece as it lies flat, and how far off its inner face. */
type Over = (p: Vec3) => { flat: Vec2; offMm: number; asideMm: number } | undefined;

const trees = new WeakMap<Surface['grid'], { flat: Surface['flat']; reachMm: number; over: Over }>();

/** Two triangles for every cell of a grid, in a bounding volume hierarchy; nothing is found further off than the reach. */
function overSurface({ grid, flat }: Surface, reachMm: number): Over {
  const before = trees.get(grid);
  if (before?.flat === flat && before.reachMm === reachMm) return before.over;
  const normals = gridNormals(grid);
  const corners = grid.slice(1).flatMap((row, r) =>
    row.slice(1).flatMap((_, c): [number, number][][] => [
      [
        [r, c],
        [r, c + 1],
        [r + 1, c + 1],
      ],
      [
        [r, c],
        [r + 1, c + 1],
        [r + 1, c],
      ],
    ]),
  );
  const places = new Float32Array(
    corners.flat().flatMap(([r, c]) => {
      const { x, y, z } = itemAt(itemAt(grid, r), c);
      return [x, y, z];
    }),
  );
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(places, 3));
  const tree = new MeshBVH(geometry, { indirect: true });
  const [spot, shares] = [new Vector3(), new Vector3()];
  const target: HitPointInfo = { point: new Vector3(), distance: 0, faceIndex: 0 };
  const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()];
  const over: Over = (p) => {
    const found = tree.closestPointToPoint(spot.set(p.x, p.y, p.z), target, 0, reachMm);
    if (!found) return undefined;
    const own = itemAt(corners, found.faceIndex);
    const [i, k, l] = own.map(([row, column]) => itemAt(itemAt(grid, row), column)) as [Vec3, Vec3, Vec3];
    a.set(i.x, i.y, i.z);
    b.set(k.x, k.y, k.z);
    c.set(l.x, l.y, l.z);
    if (!Triangle.getBarycoord(found.point, a, b, c, shares)) return undefined;
    const by = [shares.x, shares.y, shares.z];
    const normal = unit3(
      own.reduce(
        (sum, [row, column], n) => add3(sum, scale3(itemAt(itemAt(normals, row), column), itemAt(by, n))),
        {
          x: 0,
          y: 0,
          z: 0,
        },
      ),
    );
    const d = sub3(p, found.point);
    const offMm = dot3(d, normal);
    return {
      flat: own.reduce(
        (sum, [row, column], n) => ({
          x: sum.x + itemAt(itemAt(flat, row), column).x * itemAt(by, n),
          y: sum.y + itemAt(itemAt(flat, row), column).y * itemAt(by, n),
        }),
        { x: 0, y: 0 },
      ),
      offMm,
      asideMm: Math.sqrt(Math.max(0, dot3(d, d) - offMm * offMm)),
    };
  };
  trees.set(grid, { flat, reachMm, over });
  return over;
}

/** The outline of what goes through a piece, on the piece as it lies flat, a little larger. */
export function sectionOn(surface: Surface, thicknessMm: number, spots: readonly Vec3[]): Vec2[] {
  const over = overSurface(surface, thicknessMm + 2 * EASE_MM);
  const through = spots.flatMap((p): Vec2[] => {
    const s = over(p);
    const inIt = s && s.offMm > -EASE_MM && s.offMm < thicknessMm + EASE_MM && s.asideMm < EASE_MM;
    return inIt ? [s.flat] : [];
  });
  if (through.length < LEAST_SPOTS) return [];
  const hull = convexHull(through);
  const middle = middleOf(hull);
  return hull.map((p) => {
    const d = { x: p.x - middle.x, y: p.y - middle.y };
    const far = Math.hypot(d.x, d.y) || 1;
    return { x: p.x + (d.x / far) * EASE_MM, y: p.y + (d.y / far) * EASE_MM };
  });
}

const middleOf = (ring: readonly Vec2[]): Vec2 => ({
  x: ring.reduce((s, p) => s + p.x, 0) / ring.length,
  y: ring.reduce((s, p) => s + p.y, 0) / ring.length,
});
