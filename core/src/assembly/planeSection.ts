import { firstOf, lastOf, itemAt } from '../units';
import {
  common,
  cross3,
  dot3,
  grown,
  joined,
  lerp3,
  type Mesh,
  type Region,
  signedArea,
  sub3,
  unit3,
  type Vec2,
  type Vec3,
} from '../geometry';
import { gridNormals, type Surface } from '../panel';

/** Spots nearer than this are one, mm. */
const ONE_MM = 1e-3;
/** Foam left standing narrower than twice this is cut away with it, mm. */
const CLOSED_MM = 3;
/** Slits and slivers smaller than this are none, mm². */
const LEAST_MM2 = 2;

/** A flat piece in space: its plane, and the way from there onto the piece as it lies flat; nothing for a bent one. */
export function planeOf({
  grid,
  flat,
}: Surface): { at: Vec3; out: Vec3; toFlat: (p: Vec3) => Vec2 } | undefined {
  const normals = gridNormals(grid).flat();
  const out = firstOf(normals);
  if (normals.some((n) => dot3(n, out) < 1 - 1e-6)) return undefined;
  const at = firstOf(firstOf(grid));
  const [a, b] = [lastOf(firstOf(grid)), firstOf(lastOf(grid))];
  const [o, fa, fb] = [firstOf(firstOf(flat)), lastOf(firstOf(flat)), firstOf(lastOf(flat))];
  const x = unit3(sub3(a, at));
  const y = cross3(out, x);
  const long = Math.hypot(fa.x - o.x, fa.y - o.y) || 1;
  const fx = { x: (fa.x - o.x) / long, y: (fa.y - o.y) / long };
  // The flat lies as seen from outside: the other way is square to the first, on the side of the last row.
  const side = Math.sign(dot3(sub3(b, at), y) * ((fb.y - o.y) * fx.x - (fb.x - o.x) * fx.y)) || 1;
  const fy = { x: -fx.y * side, y: fx.x * side };
  return {
    at,
    out,
    toFlat: (p) => {
      const d = sub3(p, at);
      const [u, v] = [dot3(d, x), dot3(d, y)];
      return { x: o.x + u * fx.x + v * fy.x, y: o.y + u * fx.y + v * fy.y };
    },
  };
}

/** Loops in which a closed mesh meets a plane, as runs of spots. */
function loopsAt({ points, triangles }: Mesh, at: Vec3, out: Vec3): Vec3[][] {
  const height = points.map((p) => dot3(sub3(p, at), out));
  const ends = new Map<string, { to: Vec3; used: boolean }[]>();
  const key = ({ x, y, z }: Vec3): string => [x, y, z].map((v) => Math.round(v / ONE_MM)).join();
  const crossing = (i: number, k: number): Vec3 =>
    lerp3(itemAt(points, i), itemAt(points, k), itemAt(height, i) / (itemAt(height, i) - itemAt(height, k)));
  for (const t of triangles) {
    // Above or below, never on it: a spot on the plane counts as above.
    const up = t.map((i) => itemAt(height, i) >= 0);
    if (up[0] === up[1] && up[1] === up[2]) continue;
    const alone = up.findIndex((u, n) => u !== up[(n + 1) % 3] && u !== up[(n + 2) % 3]);
    const [i, k, l] = [itemAt(t, alone), itemAt(t, (alone + 1) % 3), itemAt(t, (alone + 2) % 3)];
    const [p, q] = [crossing(i, k), crossing(i, l)];
    const [from, to] = up[alone] ? [p, q] : [q, p];
    if (key(from) === key(to)) continue;
    ends.set(key(from), [...(ends.get(key(from)) ?? []), { to, used: false }]);
  }
  const loops: Vec3[][] = [];
  for (const [start, all] of ends)
    for (const first of all) {
      if (first.used) continue;
      const loop: Vec3[] = [];
      for (let step: { to: Vec3; used: boolean } | undefined = first; step && !step.used;) {
        step.used = true;
        loop.push(step.to);
        const next = key(step.to);
        if (next === start) break;
        step = ends.get(next)?.find((e) => !e.used);
      }
      if (loop.length > 2) loops.push(loop);
    }
  return loops;
}

/**
 * What a solid takes out of a flat piece, a little larger all round: its sections at both faces and between them, as far
 * as they lie on the piece. Exact for meshes, holes left out.
 */
export function planeSections(
  surface: Surface,
  outline: readonly Vec2[],
  thicknessMm: number,
  mesh: Mesh,
  easeMm: number,
): Vec2[][] {
  const plane = planeOf(surface);
  if (!plane) return [];
  const { out, toFlat } = plane;
  const region = [0.02, 0.5, 0.98].reduce<Region>((all, share) => {
    const up = share * thicknessMm;
    const at = { x: plane.at.x + out.x * up, y: plane.at.y + out.y * up, z: plane.at.z + out.z * up };
    const rings = loopsAt(mesh, at, out).map((loop) => {
      const ring = loop.map(toFlat);
      return signedArea(ring) < 0 ? ring.reverse() : ring;
    });
    return rings.reduce<Region>((sum, ring) => (sum.length === 0 ? [ring] : joined(sum, [ring])), all);
  }, []);
  if (region.length === 0) return [];
  const closed = grown(grown(region, easeMm + CLOSED_MM), -CLOSED_MM);
  return common(closed, [[...outline]]).filter((ring) => signedArea(ring) > LEAST_MM2);
}
