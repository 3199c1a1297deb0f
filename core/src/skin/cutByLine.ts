import { firstOf, itemAt } from '../units';
import { dist3, type Vec3 } from '../geometry';
import { type Charted, connected, edgeKey, edgesOf, type Inserted, withPoints } from './charted';
import { creasesOf, creaseWay, onCrease } from './creases';
import { placeOf, shortestWay, vertexAt, type WayPoint, wayLengthMm } from './shortest';

/** A way that comes this near to a corner goes through it, as a share of the edge. */
const SNAP = 0.06;
/** Ends of a line this near to a rim end on it, mm. */
const RIM_MM = 15;

/** The surface with points where a way crosses edges, and the way as vertices; seams that it crosses run on through them. */
function along(
  charted: Charted,
  way: readonly WayPoint[],
  seams: ReadonlySet<number>,
): { charted: Charted; seams: Set<number> } {
  const { mesh } = charted;
  const on: Inserted = new Map();
  const points: Vec3[] = [];
  const run = way.map((p): number => {
    if ('vertex' in p) return p.vertex;
    if (p.share < SNAP) return p.a;
    if (p.share > 1 - SNAP) return p.b;
    const key = edgeKey(p.a, p.b);
    const known = on.get(key);
    if (known !== undefined) return known;
    const vertex = mesh.points.length + points.push(placeOf(mesh, p)) - 1;
    on.set(key, vertex);
    return vertex;
  });
  const split = withPoints(charted, points, on);
  const next = new Set<number>();
  for (const key of seams) next.add(key);
  for (const [, vertex] of on) {
    const p = itemAt(way, run.indexOf(vertex));
    if ('vertex' in p || !next.delete(edgeKey(p.a, p.b))) continue;
    next.add(edgeKey(p.a, vertex)).add(edgeKey(vertex, p.b));
  }
  const edges = edgesOf(split.mesh);
  run.slice(1).forEach((v, i) => {
    const key = edgeKey(itemAt(run, i), v);
    if (v !== run[i] && edges.has(key)) next.add(key);
  });
  return { charted: split, seams: next };
}

/**
 * The surface parted along a line: the shortest ways along it from spot to spot, or along a crease where that is hardly
 * longer; each spot on a crease where one is near, else at the nearest point of the surface, the ends on its rim where that
 * is near. A line that parts nothing leaves it as it is.
 */
export function cutByLine(start: Charted, spots: readonly Vec3[]): Charted {
  const rim = new Set(
    [...edgesOf(start.mesh).entries()].flatMap(([key, t]) => {
      if (t.length > 1) return [];
      const corners = itemAt(start.mesh.triangles, firstOf(t));
      return corners.filter(
        (v, k) =>
          edgeKey(v, itemAt(corners, (k + 1) % 3)) === key ||
          edgeKey(v, itemAt(corners, (k + 2) % 3)) === key,
      );
    }),
  );
  const creases = creasesOf(start.mesh);
  const vertices = spots.map((spot, i) => {
    const nearest = onCrease(start.mesh, creases, spot) ?? vertexAt(start.mesh, spot);
    if (i > 0 && i + 1 < spots.length) return nearest;
    const end = [...rim].reduce<number | undefined>(
      (best, v) =>
        dist3(itemAt(start.mesh.points, v), spot) <
        (best === undefined ? RIM_MM : dist3(itemAt(start.mesh.points, best), spot))
          ? v
          : best,
      undefined,
    );
    return end ?? nearest;
  });
  let now: { charted: Charted; seams: Set<number> } = { charted: start, seams: new Set() };
  vertices.slice(1).forEach((v, i) => {
    const { mesh } = now.charted;
    const shortest = shortestWay(mesh, itemAt(vertices, i), v);
    if (!shortest || shortest.length < 2) return;
    const way =
      creaseWay(mesh, creasesOf(mesh), itemAt(vertices, i), v, wayLengthMm(mesh, shortest)) ?? shortest;
    now = along(now.charted, way, now.seams);
  });
  return connected(now.charted, now.seams);
}
