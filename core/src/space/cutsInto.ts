import type { Box3, Triangle, Vector3 } from 'three';
import { cross3, type Vec3 } from '../geometry';
import type { Convex } from './convex';

/** Directions this near to parallel span no plane. */
const PARALLEL = 1e-9;

/** A solid made ready to be held against many boxes and triangles, at one place after another. */
export interface Ready {
  /** Moves it so far from where it was first. */
  moveTo: (by: Vec3) => void;
  /** Whether a box along the axes may hold anything that cuts into it: never wrongly no. */
  mayMeet: (box: Box3) => boolean;
  /** Whether a triangle cuts into it, by the separating axis theorem; touching is not cutting. */
  cutBy: (triangle: Pick<Triangle, 'a' | 'b' | 'c'>) => boolean;
}

/** Ways of which none runs along another, forwards or back: planes square to them are the same. */
const unlike = (ways: readonly Vec3[]): Vec3[] =>
  ways.filter((a, i) => !ways.slice(0, i).some((b) => length2(cross3(a, b)) <= PARALLEL));

const length2 = ({ x, y, z }: Vec3): number => x * x + y * y + z * z;

/** The same question as the overlap of two convex solids, asked thousands of times over, so without making anything new. */
export function readied({ points, normals, edges: all }: Convex): Ready {
  let by: Vec3 = { x: 0, y: 0, z: 0 };
  const edges = unlike(all);
  const flat = Float64Array.from(points.flatMap(({ x, y, z }) => [x, y, z]));
  const along = ({ x, y, z }: Vec3): { x: number; y: number; z: number; least: number; most: number } => {
    let [least, most] = [Infinity, -Infinity];
    for (const p of points) {
      const d = p.x * x + p.y * y + p.z * z;
      if (d < least) least = d;
      if (d > most) most = d;
    }
    return { x, y, z, least, most };
  };
  const faces = unlike(normals).map(along);
  const sides = [...[0, 1, 2].map((k) => along({ x: +(k === 0), y: +(k === 1), z: +(k === 2) })), ...faces];
  /** Whether the solid and the triangle are parted by a plane square to a way. */
  const split = (x: number, y: number, z: number, a: Vector3, b: Vector3, c: Vector3): boolean => {
    const [da, db, dc] = [
      a.x * x + a.y * y + a.z * z,
      b.x * x + b.y * y + b.z * z,
      c.x * x + c.y * y + c.z * z,
    ];
    const low = Math.min(da, db, dc);
    const high = Math.max(da, db, dc);
    let [least, most] = [Infinity, -Infinity];
    for (let i = 0; i < flat.length; i += 3) {
      const d = flat[i]! * x + flat[i + 1]! * y + flat[i + 2]! * z;
      if (d < least) least = d;
      if (d > most) most = d;
    }
    const off = by.x * x + by.y * y + by.z * z;
    return high <= least + off || low >= most + off;
  };
  /** The same along the cross product of an edge of the solid and one of the triangle. */
  const partedAcross = (e: Vec3, p: Vector3, q: Vector3, a: Vector3, b: Vector3, c: Vector3): boolean => {
    const [fx, fy, fz] = [q.x - p.x, q.y - p.y, q.z - p.z];
    const [x, y, z] = [e.y * fz - e.z * fy, e.z * fx - e.x * fz, e.x * fy - e.y * fx];
    return x * x + y * y + z * z > PARALLEL && split(x, y, z, a, b, c);
  };
  return {
    moveTo: (to) => {
      by = to;
    },
    mayMeet: ({ min, max }) =>
      sides.every(({ x, y, z, least, most }) => {
        const off = by.x * x + by.y * y + by.z * z;
        const middle = ((min.x + max.x) * x + (min.y + max.y) * y + (min.z + max.z) * z) / 2;
        const half =
          ((max.x - min.x) * Math.abs(x) + (max.y - min.y) * Math.abs(y) + (max.z - min.z) * Math.abs(z)) / 2;
        return middle + half >= least + off && middle - half <= most + off;
      }),
    cutBy: ({ a, b, c }) => {
      for (const { x, y, z, least, most } of faces) {
        const [da, db, dc] = [
          a.x * x + a.y * y + a.z * z,
          b.x * x + b.y * y + b.z * z,
          c.x * x + c.y * y + c.z * z,
        ];
        const off = by.x * x + by.y * y + by.z * z;
        if (Math.max(da, db, dc) <= least + off || Math.min(da, db, dc) >= most + off) return false;
      }
      const [ux, uy, uz] = [b.x - a.x, b.y - a.y, b.z - a.z];
      const [vx, vy, vz] = [c.x - a.x, c.y - a.y, c.z - a.z];
      const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
      if (nx * nx + ny * ny + nz * nz > PARALLEL && split(nx, ny, nz, a, b, c)) return false;
      for (const e of edges)
        if (
          partedAcross(e, a, b, a, b, c) ||
          partedAcross(e, b, c, a, b, c) ||
          partedAcross(e, c, a, a, b, c)
        )
          return false;
      return true;
    },
  };
}
