import type { Mesh } from '../geometry';

/** Faces that meet at a smaller angle than this are one bent face, as a cosine. */
const CREASE = Math.cos((38 * Math.PI) / 180);

const kept = new WeakMap<Mesh, Float32Array>();

/** The normals at the corners of every triangle, three by three: smooth over a bent face, crisp at a crease. Kept by mesh. */
export function cornerNormals(mesh: Mesh): Float32Array {
  const known = kept.get(mesh);
  if (known) return known;
  const { points, triangles } = mesh;
  const faces = new Float32Array(triangles.length * 3);
  const around: number[][] = points.map(() => []);
  triangles.forEach(([a, b, c], t) => {
    const [p, q, r] = [points[a]!, points[b]!, points[c]!];
    const [ux, uy, uz] = [q.x - p.x, q.y - p.y, q.z - p.z];
    const [vx, vy, vz] = [r.x - p.x, r.y - p.y, r.z - p.z];
    faces.set([uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx], t * 3);
    for (const i of [a, b, c]) around[i]!.push(t);
  });
  const long = (t: number): number => Math.hypot(faces[t * 3]!, faces[t * 3 + 1]!, faces[t * 3 + 2]!) || 1;
  const sizes = Float32Array.from({ length: triangles.length }, (_, t) => long(t));
  const normals = new Float32Array(triangles.length * 9);
  triangles.forEach((corners, t) => {
    corners.forEach((i, k) => {
      let [x, y, z] = [0, 0, 0];
      for (const other of around[i]!) {
        const dot =
          faces[t * 3]! * faces[other * 3]! +
          faces[t * 3 + 1]! * faces[other * 3 + 1]! +
          faces[t * 3 + 2]! * faces[other * 3 + 2]!;
        if (other !== t && dot < CREASE * sizes[t]! * sizes[other]!) continue;
        x += faces[other * 3]!;
        y += faces[other * 3 + 1]!;
        z += faces[other * 3 + 2]!;
      }
      const size = Math.hypot(x, y, z) || 1;
      normals.set([x / size, y / size, z / size], t * 9 + k * 3);
    });
  });
  kept.set(mesh, normals);
  return normals;
}
