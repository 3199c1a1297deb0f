import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three';
import { type HitPointInfo, MeshBVH } from 'three-mesh-bvh';
import { cross3, dist3, lerp3, type Mesh, scale3, sub3, type Vec3 } from '../geometry';

/** A closed solid that can be asked how deep spots lie in it; several closed shells count as one. */
export interface AskedSolid {
  /** How far a spot is from its faces, mm, and whether it is behind the nearest of them. */
  away: (p: Vec3) => { mm: number; behind: boolean };
  /** Whether it lies in any of its shells. */
  inside: (p: Vec3) => boolean;
  least: Vec3;
  most: Vec3;
  mesh: Mesh;
}

const known = new WeakMap<Mesh, AskedSolid>();

/** Ways a spot is looked out of a solid: no edge of a part runs along them. */
const ways = [
  [0.8017, 0.5345, 0.2673],
  [-0.4243, 0.5657, 0.7071],
  [0.3015, -0.9045, 0.3015],
].map(([x, y, z]) => new Vector3(x, y, z).normalize());

export function askedSolid(mesh: Mesh): AskedSolid {
  const before = known.get(mesh);
  if (before) return before;
  const places = new Float32Array(mesh.triangles.length * 9);
  mesh.triangles.forEach((t, i) =>
    t.forEach((k, n) => {
      const p = mesh.points[k]!;
      places.set([p.x, p.y, p.z], 9 * i + 3 * n);
    }),
  );
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(places, 3));
  const tree = new MeshBVH(geometry, { indirect: true });
  geometry.computeBoundingBox();
  const { min, max } = geometry.boundingBox!;
  const spot = new Vector3();
  const ray = new Ray();
  const target: HitPointInfo = { point: new Vector3(), distance: 0, faceIndex: 0 };
  const normals = mesh.triangles.map(([a, b, c]) => {
    const [p, q, r] = [mesh.points[a]!, mesh.points[b]!, mesh.points[c]!];
    return cross3(sub3(q, p), sub3(r, p));
  });
  const asked: AskedSolid = {
    mesh,
    least: { x: min.x, y: min.y, z: min.z },
    most: { x: max.x, y: max.y, z: max.z },
    away: (p) => {
      const found = tree.closestPointToPoint(spot.set(p.x, p.y, p.z), target);
      if (!found) return { mm: Infinity, behind: false };
      const n = normals[found.faceIndex]!;
      const { point, distance } = found;
      const out = n.x * (p.x - point.x) + n.y * (p.y - point.y) + n.z * (p.z - point.z);
      return { mm: distance, behind: out < 0 };
    },
    inside: (p) => {
      // More ways out than in, by the side of every face that is met; the first way and one more decide.
      const out = (way: Vector3): boolean => {
        ray.origin.set(p.x, p.y, p.z);
        ray.direction.copy(way);
        const hits = tree.raycast(ray, DoubleSide);
        return hits.reduce((sum, hit) => sum + Math.sign(hit.face!.normal.dot(way)), 0) > 0;
      };
      return out(ways[0]!) && (out(ways[1]!) || out(ways[2]!));
    },
  };
  known.set(mesh, asked);
  return asked;
}

/** Two boxes along the axes that come nearer than this share room. */
export function boxesMeet(
  a: Pick<AskedSolid, 'least' | 'most'>,
  b: Pick<AskedSolid, 'least' | 'most'>,
  byMm = 0,
): boolean {
  return (['x', 'y', 'z'] as const).every(
    (k) => a.least[k] - byMm <= b.most[k] && b.least[k] - byMm <= a.most[k],
  );
}

/** A face is looked at in spots no further apart than this, mm. */
const APART_MM = 5;
/** No more spots than this of one face. */
const MOST = 66;

/** Whether a spot lies in a box along the axes. */
export const inBox = (p: Vec3, { least, most }: Pick<AskedSolid, 'least' | 'most'>): boolean =>
  p.x >= least.x && p.x <= most.x && p.y >= least.y && p.y <= most.y && p.z >= least.z && p.z <= most.z;

/** A spot of a face, and the way out of it. */
export interface Spot {
  at: Vec3;
  out: Vec3;
}

/** Spots all over the faces of a mesh that reach into a box. */
export function* spotsOn(
  { points, triangles }: Mesh,
  box: Pick<AskedSolid, 'least' | 'most'>,
): Generator<Spot> {
  for (const t of triangles) {
    const [a, b, c] = t.map((i) => points[i]!) as [Vec3, Vec3, Vec3];
    const outside = (['x', 'y', 'z'] as const).some(
      (k) => Math.max(a[k], b[k], c[k]) < box.least[k] || Math.min(a[k], b[k], c[k]) > box.most[k],
    );
    if (outside) continue;
    const normal = cross3(sub3(b, a), sub3(c, a));
    const size = Math.hypot(normal.x, normal.y, normal.z);
    if (size < 1e-9) continue;
    const out = scale3(normal, 1 / size);
    const long = Math.max(dist3(a, b), dist3(b, c), dist3(c, a));
    const n = Math.min(Math.floor(Math.sqrt(2 * MOST)), Math.max(1, Math.ceil(long / APART_MM)));
    if (n === 1) {
      // Its other corners belong to its neighbours.
      for (const p of [a, lerp3(lerp3(a, b, 0.5), c, 1 / 3)]) if (inBox(p, box)) yield { at: p, out };
      continue;
    }
    for (let i = 0; i <= n; i++)
      for (let k = 0; k <= n - i; k++) {
        const p = i === n ? a : lerp3(lerp3(b, c, k / (n - i)), a, i / n);
        if (inBox(p, box)) yield { at: p, out };
      }
  }
}
