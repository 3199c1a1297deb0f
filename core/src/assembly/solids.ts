import { itemAt, firstOf } from '../units';
import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three';
import { type HitPointInfo, MeshBVH } from 'three-mesh-bvh';
import { cross3, dist3, lerp3, type Mesh, scale3, sub3, type Vec3 } from '../geometry';

/** A closed solid that can be asked how deep spots lie in it; several closed shells count as one. */
export interface AskedSolid {
  /**
   * How far a spot is from its faces, mm, and whether it is behind the nearest of them. Nearer than `enough` it is near
   * enough, further than `most` it is Infinity.
   */
  away: (p: Vec3, enough?: number, most?: number) => { mm: number; behind: boolean };
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

/** A face is halved no more often than this. */
const DEEPEST = 16;

type Corners = readonly [Vec3, Vec3, Vec3];

/** Long faces are parted to this, mm: a tree of slivers is slow to ask. */
const LONG_MM = 40;

/** A triangle in parts none of which is long. */
function shortened([a, b, c]: Corners, deep = 0): Corners[] {
  const [ab, bc, ca] = [dist3(a, b), dist3(b, c), dist3(c, a)];
  const long = Math.max(ab, bc, ca);
  if (long <= LONG_MM || deep === DEEPEST) return [[a, b, c]];
  const [p, q, r]: Corners = long === ab ? [a, b, c] : long === bc ? [b, c, a] : [c, a, b];
  const m = lerp3(p, q, 0.5);
  return [...shortened([p, m, r], deep + 1), ...shortened([m, q, r], deep + 1)];
}

export function askedSolid(mesh: Mesh): AskedSolid {
  const before = known.get(mesh);
  if (before) return before;
  const faces = mesh.triangles.flatMap((t) =>
    shortened([itemAt(mesh.points, t[0]), itemAt(mesh.points, t[1]), itemAt(mesh.points, t[2])]),
  );
  const places = new Float32Array(faces.length * 9);
  faces.forEach((t, i) => t.forEach((p, n) => places.set([p.x, p.y, p.z], 9 * i + 3 * n)));
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(places, 3));
  const tree = new MeshBVH(geometry, { indirect: true });
  geometry.computeBoundingBox();
  const { min, max } = geometry.boundingBox!;
  const spot = new Vector3();
  const ray = new Ray();
  const target: HitPointInfo = { point: new Vector3(), distance: 0, faceIndex: 0 };
  const normals = faces.map(([p, q, r]) => cross3(sub3(q, p), sub3(r, p)));
  const asked: AskedSolid = {
    mesh,
    least: { x: min.x, y: min.y, z: min.z },
    most: { x: max.x, y: max.y, z: max.z },
    away: (p, enough = 0, most = Infinity) => {
      const found = tree.closestPointToPoint(spot.set(p.x, p.y, p.z), target, enough, most);
      if (!found) return { mm: Infinity, behind: false };
      const n = itemAt(normals, found.faceIndex);
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
      return out(firstOf(ways)) && (out(itemAt(ways, 1)) || out(itemAt(ways, 2)));
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

/** Faces are looked at in spots so far apart, by how large what is looked at is: so many along it, and within these, mm. */
const ALONG = 14;
const APART_MM: readonly [number, number] = [4, 25];
/** Whether a spot lies in a box along the axes. */
export const inBox = (p: Vec3, { least, most }: Pick<AskedSolid, 'least' | 'most'>): boolean =>
  p.x >= least.x && p.x <= most.x && p.y >= least.y && p.y <= most.y && p.z >= least.z && p.z <= most.z;

/** A spot of a face, and the way out of it. */
export interface Spot {
  at: Vec3;
  out: Vec3;
}

const axes = ['x', 'y', 'z'] as const;

/** Whether a triangle lies wholly on one side of a box. */
const passes = (a: Vec3, b: Vec3, c: Vec3, { least, most }: Pick<AskedSolid, 'least' | 'most'>): boolean =>
  axes.some((k) => Math.max(a[k], b[k], c[k]) < least[k] || Math.min(a[k], b[k], c[k]) > most[k]);

/** A triangle halved along its longest side as long as that is long and the triangle reaches into the box; its spots. */
function* halved(
  [a, b, c]: Corners,
  box: Pick<AskedSolid, 'least' | 'most'>,
  apartMm: number,
  deep: number,
): Generator<Vec3> {
  if (passes(a, b, c, box)) return;
  const [ab, bc, ca] = [dist3(a, b), dist3(b, c), dist3(c, a)];
  const long = Math.max(ab, bc, ca);
  if (long <= apartMm || deep === DEEPEST) {
    // Its other corners belong to its neighbours.
    for (const p of [a, lerp3(lerp3(a, b, 0.5), c, 1 / 3)]) if (inBox(p, box)) yield p;
  } else if (long === ab) {
    const m = lerp3(a, b, 0.5);
    yield* halved([a, m, c], box, apartMm, deep + 1);
    yield* halved([m, b, c], box, apartMm, deep + 1);
  } else if (long === bc) {
    const m = lerp3(b, c, 0.5);
    yield* halved([b, m, a], box, apartMm, deep + 1);
    yield* halved([m, c, a], box, apartMm, deep + 1);
  } else {
    const m = lerp3(c, a, 0.5);
    yield* halved([c, m, b], box, apartMm, deep + 1);
    yield* halved([m, a, b], box, apartMm, deep + 1);
  }
}

/** No more spots than this are looked at: of more, evenly so many. */
const MOST = 400;

/** How large the faces are that reach into a box, mm²; no face counts for more than the box lets in. */
function areaIn({ points, triangles }: Mesh, box: Pick<AskedSolid, 'least' | 'most'>, wide: number): number {
  let sum = 0;
  for (const [i, j, k] of triangles) {
    const [a, b, c] = [itemAt(points, i), itemAt(points, j), itemAt(points, k)];
    if (passes(a, b, c, box)) continue;
    const n = cross3(sub3(b, a), sub3(c, a));
    sum += Math.min(Math.hypot(n.x, n.y, n.z) / 2, wide * wide);
  }
  return sum;
}

/** Spots all over the faces of a mesh that reach into a box, evenly some of them. */
export function spotsOn(mesh: Mesh, box: Pick<AskedSolid, 'least' | 'most'>): Spot[] {
  const wide = Math.max(...axes.map((k) => box.most[k] - box.least[k]));
  const usual = Math.min(APART_MM[1], Math.max(APART_MM[0], wide / ALONG));
  const apartMm = Math.max(usual, Math.sqrt(areaIn(mesh, box, wide) / (MOST / 5)));
  const all = [...everySpot(mesh, box, apartMm)];
  const step = Math.max(1, all.length / MOST);
  return step === 1 ? all : Array.from({ length: MOST }, (_, i) => itemAt(all, Math.floor(i * step)));
}

function* everySpot(
  { points, triangles }: Mesh,
  box: Pick<AskedSolid, 'least' | 'most'>,
  apartMm: number,
): Generator<Spot> {
  for (const t of triangles) {
    const corners = t.map((i) => itemAt(points, i)) as [Vec3, Vec3, Vec3];
    const [a, b, c] = corners;
    const normal = cross3(sub3(b, a), sub3(c, a));
    const size = Math.hypot(normal.x, normal.y, normal.z);
    if (size < 1e-9) continue;
    const out = scale3(normal, 1 / size);
    for (const at of [...corners.filter((p) => inBox(p, box)), ...halved(corners, box, apartMm, 0)])
      yield { at, out };
  }
}

/** The piece of a line in a box along the axes, as shares of the line; nothing where it passes the box. */
function sharesIn(a: Vec3, b: Vec3, box: Pick<AskedSolid, 'least' | 'most'>): [number, number] | undefined {
  let [from, to] = [0, 1];
  for (const k of axes) {
    const d = b[k] - a[k];
    if (Math.abs(d) < 1e-12) {
      if (a[k] < box.least[k] || a[k] > box.most[k]) return undefined;
      continue;
    }
    const [s, t] = [(box.least[k] - a[k]) / d, (box.most[k] - a[k]) / d];
    from = Math.max(from, Math.min(s, t));
    to = Math.min(to, Math.max(s, t));
  }
  return from <= to ? [from, to] : undefined;
}

/** Spots along every edge of a mesh that runs through a box, no further apart than so much, the ends in the box among them. */
export function edgeSpots(
  { points, triangles }: Mesh,
  box: Pick<AskedSolid, 'least' | 'most'>,
  apartMm: number,
): Vec3[] {
  const seen = new Set<number>();
  return triangles.flatMap((t) =>
    t.flatMap((i, n) => {
      const k = itemAt(t, (n + 1) % 3);
      const key = Math.min(i, k) * points.length + Math.max(i, k);
      if (seen.has(key)) return [];
      seen.add(key);
      const [a, b] = [itemAt(points, i), itemAt(points, k)];
      const shares = sharesIn(a, b, box);
      if (!shares) return [];
      const [from, to] = shares;
      const count = Math.max(1, Math.ceil((dist3(a, b) * (to - from)) / apartMm));
      return Array.from({ length: count + 1 }, (_, j) => lerp3(a, b, from + ((to - from) * j) / count));
    }),
  );
}
