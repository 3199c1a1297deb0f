import { type Body, figure } from '../body';
import { add3, cross3, dist3, length3, scale3, sub3, type Vec3 } from '../geometry';
import { placingOf, type PartReport, sidesOf } from '../parts';

/** A spot of the skin and the way out from it; each stands for as much skin as any other. */
interface Spot {
  at: Vec3;
  out: Vec3;
}

/** A prime, so that spots do not march along one line of the drawn limbs. */
const SPOTS = 1201;

/** Covering more than this share, breaks are planned; from memory. */
export const hotShare = 0.35;

/** Foam further out than this does not keep the skin under it warm; foam may press this far in. mm. */
const NEAR_MM: readonly [number, number] = [-25, 160];

/** Spots spread evenly over the wearer's skin. */
function spotsOf(body: Body): Spot[] {
  const faces = figure(body).parts.flatMap(({ mesh: { points, triangles } }) =>
    triangles.map(([a, b, c]) => {
      const [p, q, r] = [points[a]!, points[b]!, points[c]!];
      return { at: scale3(add3(add3(p, q), r), 1 / 3), normal: cross3(sub3(q, p), sub3(r, p)) };
    }),
  );
  const total = faces.reduce((sum, f) => sum + length3(f.normal), 0);
  const spots: Spot[] = [];
  let run = 0;
  for (const { at, normal } of faces) {
    run += length3(normal);
    while (run > ((spots.length + 0.5) / SPOTS) * total && spots.length < SPOTS)
      spots.push({ at, out: scale3(normal, 1 / length3(normal)) });
  }
  return spots;
}

/** Whether the line from a spot along its way out meets the triangle near it (Möller and Trumbore, 1997). */
function meets({ at, out }: Spot, p: Vec3, q: Vec3, r: Vec3): boolean {
  const [ux, uy, uz] = [q.x - p.x, q.y - p.y, q.z - p.z];
  const [vx, vy, vz] = [r.x - p.x, r.y - p.y, r.z - p.z];
  const [hx, hy, hz] = [out.y * vz - out.z * vy, out.z * vx - out.x * vz, out.x * vy - out.y * vx];
  const det = ux * hx + uy * hy + uz * hz;
  if (Math.abs(det) < 1e-12) return false;
  const [sx, sy, sz] = [at.x - p.x, at.y - p.y, at.z - p.z];
  const a = (sx * hx + sy * hy + sz * hz) / det;
  if (a < 0 || a > 1) return false;
  const [kx, ky, kz] = [sy * uz - sz * uy, sz * ux - sx * uz, sx * uy - sy * ux];
  const b = (out.x * kx + out.y * ky + out.z * kz) / det;
  if (b < 0 || a + b > 1) return false;
  const far = (vx * kx + vy * ky + vz * kz) / det;
  return far >= NEAR_MM[0] && far <= NEAR_MM[1];
}

/** Every other line of a list, the last one kept. */
const thinned = <T>(all: readonly T[]): T[] => all.filter((_, i) => i % 2 === 0 || i === all.length - 1);

/** Which spots lie under a face, given as a grid; every other line of it is fine enough. */
function under(spots: readonly Spot[], face: readonly (readonly Vec3[])[]): boolean[] {
  const grid = thinned(face).map(thinned);
  const points = grid.flat();
  const middle = scale3(
    points.reduce((sum, p) => add3(sum, p), { x: 0, y: 0, z: 0 }),
    1 / points.length,
  );
  const reach = points.reduce((most, p) => Math.max(most, dist3(p, middle)), 0) + NEAR_MM[1];
  return spots.map((spot) => {
    if (dist3(spot.at, middle) > reach) return false;
    for (let r = 1; r < grid.length; r++)
      for (let c = 1; c < grid[r]!.length; c++) {
        const [p, q] = [grid[r - 1]![c - 1]!, grid[r - 1]![c]!];
        const [s, t] = [grid[r]![c - 1]!, grid[r]![c]!];
        if (meets(spot, p, q, t) || meets(spot, p, t, s)) return true;
      }
    return false;
  });
}

type Worn = Pick<PartReport, 'id' | 'mount' | 'anchors' | 'solid' | 'extras' | 'surfaces'>;

const keyOf = (body: Body): string =>
  Object.values(body)
    .map((m) => m.valueMm)
    .join(' ');

/** Works out the share of the skin that worn parts cover, 0…1; parts that have not changed are remembered. */
export function createCovered(): (body: Body, worn: readonly Worn[]) => number {
  let wearer = '';
  let spots: Spot[] = [];
  let known = new WeakMap<Worn, boolean[]>();
  return (body, worn) => {
    const key = keyOf(body);
    if (key !== wearer) {
      wearer = key;
      spots = spotsOf(body);
      known = new WeakMap();
    }
    const all = worn.map((part) => {
      let covers = known.get(part);
      if (!covers) {
        const faces = sidesOf(part).flatMap((side) => {
          const place = placingOf(body, worn, part.id, side);
          return part.surfaces
            .filter((s) => !s.loose)
            .map((s) =>
              under(
                spots,
                s.grid.map((row) => row.map(place)),
              ),
            );
        });
        covers = spots.map((_, i) => faces.some((face) => face[i]));
        known.set(part, covers);
      }
      return covers;
    });
    return spots.filter((_, i) => all.some((covers) => covers[i])).length / spots.length;
  };
}
