import { firstOf, itemAt } from '../units';
import { add3, cross3, dot3, length3, type Mesh, scale3, sub3, unit3, type Vec3 } from '../geometry';

/** Faces that turn less than this against each other are one facet, radians: half a degree. */
const FLAT_RAD = Math.PI / 360;
/** Corners in a line are no corners; sine of the turn. */
const STRAIGHT = 1e-4;

/** One side of a facet: from a corner to the next, and the facet across it. */
export interface FacetSide {
  from: number;
  to: number;
  /** Facet across, or none at a rim. */
  across?: number;
  /** Its side there. */
  acrossSide?: number;
}

/** A flat, convex face of a model: its corners in order seen from outside, as numbers of the model's points. */
export interface Facet {
  corners: number[];
  normal: Vec3;
  sides: FacetSide[];
}

const key = (a: number, b: number): string => `${a}/${b}`;

function normalOf({ points }: Mesh, corners: readonly number[]): Vec3 {
  // Newell: true of any polygon, flat or nearly.
  const sum = corners.reduce(
    (n, v, i) => {
      const [p, q] = [itemAt(points, v), itemAt(points, itemAt(corners, (i + 1) % corners.length))];
      return {
        x: n.x + (p.y - q.y) * (p.z + q.z),
        y: n.y + (p.z - q.z) * (p.x + q.x),
        z: n.z + (p.x - q.x) * (p.y + q.y),
      };
    },
    { x: 0, y: 0, z: 0 },
  );
  return length3(sum) < 1e-12 ? { x: 0, y: 0, z: 1 } : unit3(sum);
}

/** The one loop round some triangles, when there is one. */
function loopOf(triangles: readonly (readonly [number, number, number])[]): number[] | undefined {
  const directed = new Set<string>();
  for (const [a, b, c] of triangles)
    for (const [p, q] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const)
      directed.add(key(p, q));
  const next = new Map<number, number>();
  for (const edge of directed) {
    const [a, b] = edge.split('/').map(Number) as [number, number];
    if (directed.has(key(b, a))) continue;
    if (next.has(a)) return undefined;
    next.set(a, b);
  }
  const [start] = next.keys();
  if (start === undefined) return undefined;
  const loop = [start];
  for (let at = next.get(start); at !== start; at = next.get(at)) {
    if (at === undefined || loop.length > next.size) return undefined;
    loop.push(at);
  }
  return loop.length === next.size ? loop : undefined;
}

function isConvex(mesh: Mesh, loop: readonly number[], normal: Vec3): boolean {
  return loop.every((v, i) => {
    const [a, b] = [itemAt(loop, (i + loop.length - 1) % loop.length), itemAt(loop, (i + 1) % loop.length)];
    const [p, q, r] = [itemAt(mesh.points, a), itemAt(mesh.points, v), itemAt(mesh.points, b)];
    const turn = cross3(unit3(sub3(q, p)), unit3(sub3(r, q)));
    return dot3(turn, normal) > -STRAIGHT;
  });
}

/** A model of flat faces as facets: triangles in one plane made one where that is convex, each with its neighbours. */
export function facetsOf(mesh: Mesh): Facet[] {
  const { points, triangles } = mesh;
  const normals = triangles.map((t) => normalOf(mesh, t));
  const byEdge = new Map<string, number[]>();
  triangles.forEach(([a, b, c], t) => {
    for (const [p, q] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const)
      byEdge.set(key(p, q), [...(byEdge.get(key(p, q)) ?? []), t]);
  });
  const parent = triangles.map((_, i) => i);
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = itemAt(parent, itemAt(parent, i));
    return i;
  };
  for (const [edge, own] of byEdge) {
    const [a, b] = edge.split('/').map(Number) as [number, number];
    const other = byEdge.get(key(b, a));
    if (own.length !== 1 || other?.length !== 1 || a > b) continue;
    if (dot3(itemAt(normals, firstOf(own)), itemAt(normals, firstOf(other))) > Math.cos(FLAT_RAD))
      parent[root(firstOf(own))] = root(firstOf(other));
  }
  const groups = new Map<number, number[]>();
  triangles.forEach((_, t) => groups.set(root(t), [...(groups.get(root(t)) ?? []), t]));
  const loops = [...groups.values()].flatMap((group): number[][] => {
    if (group.length === 1) return [[...itemAt(triangles, firstOf(group))]];
    const loop = loopOf(group.map((t) => itemAt(triangles, t)));
    return loop && isConvex(mesh, loop, normalOf(mesh, loop))
      ? [loop]
      : group.map((t) => [...itemAt(triangles, t)]);
  });
  return withSides(points, loops);
}

/** Facets by their loops: which meets which, and corners dropped that only stand in a straight side. */
function withSides(points: readonly Vec3[], loops: readonly number[][]): Facet[] {
  const mesh = { points: [...points], triangles: [] };
  const owner = new Map<string, number>();
  const twice = new Set<string>();
  loops.forEach((loop, f) =>
    loop.forEach((v, i) => {
      const k = key(v, itemAt(loop, (i + 1) % loop.length));
      if (owner.has(k)) twice.add(k);
      owner.set(k, f);
    }),
  );
  const acrossOf = (a: number, b: number): number | undefined =>
    twice.has(key(a, b)) || twice.has(key(b, a)) ? undefined : owner.get(key(b, a));
  const corners = loops.map((loop) =>
    loop.filter((v, i) => {
      const [a, b] = [itemAt(loop, (i + loop.length - 1) % loop.length), itemAt(loop, (i + 1) % loop.length)];
      if (acrossOf(a, v) !== acrossOf(v, b)) return true;
      const turn = length3(
        cross3(
          unit3(sub3(itemAt(points, v), itemAt(points, a))),
          unit3(sub3(itemAt(points, b), itemAt(points, v))),
        ),
      );
      return turn > STRAIGHT;
    }),
  );
  const first = loops.map((loop, f) =>
    itemAt(corners, f).map((v): FacetSide => {
      const to = itemAt(itemAt(corners, f), (itemAt(corners, f).indexOf(v) + 1) % itemAt(corners, f).length);
      const beyond = itemAt(loop, (loop.indexOf(v) + 1) % loop.length);
      const across = acrossOf(v, beyond);
      return { from: v, to, ...(across !== undefined && { across }) };
    }),
  );
  return corners.map((own, f) => ({
    corners: own,
    normal: normalOf(mesh, itemAt(loops, f)),
    sides: itemAt(first, f).map((side): FacetSide => {
      if (side.across === undefined) return side;
      const acrossSide = itemAt(first, side.across).findIndex(
        (s) => s.from === side.to && s.to === side.from,
      );
      return acrossSide < 0 ? { from: side.from, to: side.to } : { ...side, acrossSide };
    }),
  }));
}

/** How far the surface turns over a side, radians: positive like the edge of a box, negative like a gutter. */
export function turnAt(
  points: readonly Vec3[],
  facets: readonly Facet[],
  f: number,
  side: FacetSide,
): number {
  if (side.across === undefined) return 0;
  const [a, b] = [itemAt(facets, f), itemAt(facets, side.across)];
  const along = unit3(sub3(itemAt(points, side.to), itemAt(points, side.from)));
  return Math.atan2(dot3(cross3(a.normal, b.normal), along), dot3(a.normal, b.normal));
}

/**
 * Corners of every facet once its plane is moved along its normal: where the moved planes of the facets round a corner
 * meet, by least squares where there are more than three or they hardly cross, drawn back into the facet's own plane.
 */
export function movedFacets(points: readonly Vec3[], facets: readonly Facet[], outMm: number): Vec3[][] {
  const round = new Map<number, number[]>();
  facets.forEach((facet, f) => facet.corners.forEach((v) => round.set(v, [...(round.get(v) ?? []), f])));
  const moved = new Map<number, Vec3>();
  if (outMm !== 0)
    for (const [v, own] of round)
      moved.set(
        v,
        add3(
          itemAt(points, v),
          meeting(
            own.map((f) => itemAt(facets, f).normal),
            outMm,
          ),
        ),
      );
  return facets.map(({ corners, normal }) => {
    const base = add3(itemAt(points, firstOf(corners)), scale3(normal, outMm));
    return corners.map((v) => {
      const p = moved.get(v) ?? itemAt(points, v);
      return sub3(p, scale3(normal, dot3(sub3(p, base), normal)));
    });
  });
}

/** The step d with n · d = out for every normal, by least squares; a little damped, so that nearly flat corners stay near. */
function meeting(normals: readonly Vec3[], out: number): Vec3 {
  const damp = 1e-6;
  const m = [
    [damp, 0, 0, 0],
    [0, damp, 0, 0],
    [0, 0, damp, 0],
  ];
  // From the mean normal on, so that what no plane binds does not move.
  const mean = normals.reduce((s, n) => add3(s, n), { x: 0, y: 0, z: 0 });
  const start = length3(mean) < 1e-9 ? { x: 0, y: 0, z: 0 } : scale3(unit3(mean), out);
  for (const n of normals) {
    const rest = out - dot3(n, start);
    const v = [n.x, n.y, n.z];
    for (let i = 0; i < 3; i++) {
      for (let j = 0; j < 3; j++) itemAt(m, i)[j]! += itemAt(v, i) * itemAt(v, j);
      itemAt(m, i)[3]! += itemAt(v, i) * rest;
    }
  }
  for (let k = 0; k < 3; k++) {
    let best = k;
    for (let i = k + 1; i < 3; i++)
      if (Math.abs(itemAt(itemAt(m, i), k)) > Math.abs(itemAt(itemAt(m, best), k))) best = i;
    [m[k], m[best]] = [itemAt(m, best), itemAt(m, k)];
    for (let i = 0; i < 3; i++) {
      if (i === k) continue;
      const f = itemAt(itemAt(m, i), k) / itemAt(itemAt(m, k), k);
      for (let j = k; j < 4; j++) itemAt(m, i)[j]! -= f * itemAt(itemAt(m, k), j);
    }
  }
  return add3(start, {
    x: itemAt(firstOf(m), 3) / firstOf(firstOf(m)),
    y: itemAt(itemAt(m, 1), 3) / itemAt(itemAt(m, 1), 1),
    z: itemAt(itemAt(m, 2), 3) / itemAt(itemAt(m, 2), 2),
  });
}
