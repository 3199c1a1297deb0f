import type { Mesh, Vec3 } from '../../geometry';

/** A grid of points as a surface; `round` joins the last column to the first. */
export function lattice(
  rows: number,
  columns: number,
  round: boolean,
  at: (u: number, v: number) => Vec3,
): Mesh {
  const points: Vec3[] = [];
  for (let r = 0; r <= rows; r++)
    for (let c = 0; c < (round ? columns : columns + 1); c++) points.push(at(c / columns, r / rows));
  const wide = round ? columns : columns + 1;
  const p = (r: number, c: number): number => r * wide + (c % wide);
  const triangles: Mesh['triangles'] = [];
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) {
      if ((r + c) % 2 === 0)
        triangles.push([p(r, c), p(r, c + 1), p(r + 1, c + 1)], [p(r, c), p(r + 1, c + 1), p(r + 1, c)]);
      else triangles.push([p(r, c), p(r, c + 1), p(r + 1, c)], [p(r, c + 1), p(r + 1, c + 1), p(r + 1, c)]);
    }
  return { points, triangles };
}

/** A tube about the upright, open at both ends. */
export const tube = (radius: (v: number) => number, highMm: number, steps = 48, rows = 12): Mesh =>
  lattice(rows, steps, true, (u, v) => ({
    x: radius(v) * Math.cos(2 * Math.PI * u),
    y: radius(v) * Math.sin(2 * Math.PI * u),
    z: highMm * v,
  }));

/** A closed egg of three half-sizes: a cube's six faces blown up, so that no point is a pole. */
export function egg(a: number, b: number, c: number, n = 10): Mesh {
  const mesh: Mesh = { points: [], triangles: [] };
  const known = new Map<string, number>();
  const put = (x: number, y: number, z: number): number => {
    const key = [x, y, z].map((v) => v.toFixed(6)).join();
    let at = known.get(key);
    if (at === undefined) {
      const size = Math.hypot(x, y, z);
      at = mesh.points.push({ x: (a * x) / size, y: (b * y) / size, z: (c * z) / size }) - 1;
      known.set(key, at);
    }
    return at;
  };
  const faces: ((u: number, v: number) => [number, number, number])[] = [
    (u, v) => [1, u, v],
    (u, v) => [-1, -u, v],
    (u, v) => [-u, 1, v],
    (u, v) => [u, -1, v],
    (u, v) => [u, v, 1],
    (u, v) => [u, -v, -1],
  ];
  for (const face of faces)
    for (let r = 0; r < n; r++)
      for (let k = 0; k < n; k++) {
        const corner = (i: number, j: number): number =>
          put(...face((2 * (k + i)) / n - 1, (2 * (r + j)) / n - 1));
        const [p, q, s, t] = [corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)];
        mesh.triangles.push([p, q, s], [p, s, t]);
      }
  return mesh;
}
