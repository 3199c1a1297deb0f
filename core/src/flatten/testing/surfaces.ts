import type { Mesh, Vec3 } from '../../geometry';

/** A grid over the unit square bent by `at`. */
export function grid(rows: number, columns: number, at: (u: number, v: number) => Vec3): Mesh {
  const points: Vec3[] = [];
  for (let r = 0; r <= rows; r++) for (let c = 0; c <= columns; c++) points.push(at(c / columns, r / rows));
  const triangles: [number, number, number][] = [];
  const id = (r: number, c: number): number => r * (columns + 1) + c;
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      triangles.push([id(r, c), id(r, c + 1), id(r + 1, c + 1)], [id(r, c), id(r + 1, c + 1), id(r + 1, c)]);
  return { points, triangles };
}

/** Rings round a pole, each point placed by its share of the way out and its angle. */
export function rings(count: number, steps: number, at: (out: number, angle: number) => Vec3): Mesh {
  const points: Vec3[] = [at(0, 0)];
  for (let r = 1; r <= count; r++)
    for (let i = 0; i < steps; i++) points.push(at(r / count, (i / steps) * 2 * Math.PI));
  const id = (r: number, i: number): number => (r === 0 ? 0 : 1 + (r - 1) * steps + (i % steps));
  const triangles: [number, number, number][] = [];
  for (let i = 0; i < steps; i++) triangles.push([0, id(1, i), id(1, i + 1)]);
  for (let r = 1; r < count; r++)
    for (let i = 0; i < steps; i++)
      triangles.push([id(r, i), id(r + 1, i), id(r + 1, i + 1)], [id(r, i), id(r + 1, i + 1), id(r, i + 1)]);
  return { points, triangles };
}

/** A cap of a sphere out to a polar angle. */
export const cap = (radiusMm: number, reach: number, count = 14, steps = 36): Mesh =>
  rings(count, steps, (out, angle) => ({
    x: radiusMm * Math.sin(out * reach) * Math.cos(angle),
    y: radiusMm * Math.sin(out * reach) * Math.sin(angle),
    z: radiusMm * Math.cos(out * reach),
  }));

/** Surfaces that are hard to lay flat: curved both ways, bumpy, saddled, ruffled. */
export const surfaces = (): Record<string, Mesh> => ({
  'half sphere': cap(100, Math.PI / 2, 20, 60),
  'bumpy head': rings(36, 90, (out, angle) => {
    const polar = out * 1.9;
    const r = 95 * (1 + 0.08 * Math.sin(5 * angle) * Math.sin(polar) * Math.sin(4 * polar));
    return {
      x: r * Math.sin(polar) * Math.cos(angle),
      y: 1.2 * r * Math.sin(polar) * Math.sin(angle),
      z: r * Math.cos(polar),
    };
  }),
  saddle: grid(40, 40, (u, v) => {
    const [x, y] = [200 * (u - 0.5), 200 * (v - 0.5)];
    return { x, y, z: (x * x - y * y) / 120 };
  }),
  'ruffled cone': grid(24, 160, (u, v) => {
    const [angle, run] = [u * 5.2, 40 + 140 * v];
    const z = 18 * v * v * Math.sin(14 * angle);
    return { x: run * Math.cos(angle), y: run * Math.sin(angle), z: 0.8 * run + z };
  }),
});
