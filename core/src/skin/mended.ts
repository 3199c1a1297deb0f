import { getFrom } from '../units';
import {
  add3,
  cross3,
  dot3,
  length3,
  type Mesh,
  meshVolume,
  scale3,
  sub3,
  triangleArea,
  type Vec3,
} from '../geometry';
import { edgeKey, edgesOf } from './charted';
import { rimsOf } from './rims';

/** What was wrong with a surface, and what was done about it. */
export interface Mending {
  /** Corners that lay on each other and are one now. */
  welded: number;
  /** Triangles of no area, and faces that were there twice. */
  dropped: number;
  /** Triangles that faced the other way. */
  turned: number;
  /** Loose bits that were left out, and separate shells that stay. */
  bits: number;
  shells: number;
  /** Small holes that were closed, and openings that stay. */
  closed: number;
  openings: number;
  /** Edges at which more than two faces meet, parted so that two do. */
  split: number;
}

/** Corners nearer than this share of the size are one. */
const WELD = 1e-5;
/** A shell with less of the area than this is a loose bit. */
const BIT = 0.004;
/** Holes with a rim shorter than this share of the size are closed. */
const SMALL_HOLE = 0.12;

function sizeOf(points: readonly Vec3[]): number {
  let [low, high] = [
    { x: Infinity, y: Infinity, z: Infinity },
    { x: -Infinity, y: -Infinity, z: -Infinity },
  ];
  for (const p of points) {
    low = { x: Math.min(low.x, p.x), y: Math.min(low.y, p.y), z: Math.min(low.z, p.z) };
    high = { x: Math.max(high.x, p.x), y: Math.max(high.y, p.y), z: Math.max(high.z, p.z) };
  }
  return Math.hypot(high.x - low.x, high.y - low.y, high.z - low.z);
}

function welded({ points, triangles }: Mesh, cell: number): Mesh {
  const known = new Map<string, number>();
  const kept: Vec3[] = [];
  const to = points.map((p) => {
    const key = `${Math.round(p.x / cell)},${Math.round(p.y / cell)},${Math.round(p.z / cell)}`;
    let at = known.get(key);
    if (at === undefined) {
      known.set(key, (at = kept.length));
      kept.push(p);
    }
    return at;
  });
  return { points: kept, triangles: triangles.map(([a, b, c]) => [to[a]!, to[b]!, to[c]!]) };
}

/** Points that no triangle has are left out. */
function compact({ points, triangles }: Mesh): Mesh {
  const to = new Map<number, number>();
  const kept: Vec3[] = [];
  const number = (v: number): number => {
    let at = to.get(v);
    if (at === undefined) {
      to.set(v, (at = kept.length));
      kept.push(points[v]!);
    }
    return at;
  };
  const renamed = triangles.map(([a, b, c]): [number, number, number] => [number(a), number(b), number(c)]);
  return { points: kept, triangles: renamed };
}

/** Where more than two faces meet at an edge, all after the second get points of their own. */
function split(mesh: Mesh): { mesh: Mesh; count: number } {
  const points = [...mesh.points];
  const triangles = mesh.triangles.map((t): [number, number, number] => [...t]);
  let count = 0;
  for (const faces of edgesOf(mesh).values())
    for (const t of faces.slice(2)) {
      count += 1;
      triangles[t] = triangles[t]!.map((v) => points.push(points[v]!) - 1) as [number, number, number];
    }
  return { mesh: { points, triangles }, count };
}

/** Shells, with every face of one looking the same way; how many had to be turned. */
function shellsOf(
  { triangles }: Mesh,
  beside: Map<number, number[]>,
): { shells: number[][]; turned: Set<number> } {
  const turned = new Set<number>();
  const seen = new Uint8Array(triangles.length);
  const shells: number[][] = [];
  const way = (t: number, a: number, b: number): boolean => {
    const [p, q, r] = triangles[t]!;
    const own = (p === a && q === b) || (q === a && r === b) || (r === a && p === b);
    return own !== turned.has(t);
  };
  for (let start = 0; start < triangles.length; start++) {
    if (seen[start]) continue;
    seen[start] = 1;
    const shell = [start];
    for (const t of shell) {
      const c = triangles[t]!;
      for (let k = 0; k < 3; k++) {
        const [a, b] = [c[k]!, c[(k + 1) % 3]!];
        for (const other of getFrom(beside, edgeKey(a, b))) {
          if (seen[other]) continue;
          seen[other] = 1;
          // Neighbours run their common edge in opposite ways.
          if (way(other, a, b) === way(t, a, b)) turned.add(other);
          shell.push(other);
        }
      }
    }
    shells.push(shell);
  }
  return { shells, turned };
}

/** Outward for a shell: more of its area looks away from its middle than towards it. */
function looksOut({ points }: Mesh, faces: readonly [number, number, number][]): boolean {
  const used = faces.flatMap((t) => t.map((v) => points[v]!));
  const middle = scale3(
    used.reduce((sum, p) => add3(sum, p), { x: 0, y: 0, z: 0 }),
    1 / used.length,
  );
  const sum = faces.reduce((total, [a, b, c]) => {
    const n = cross3(sub3(points[b]!, points[a]!), sub3(points[c]!, points[a]!));
    return total + dot3(n, sub3(points[a]!, middle));
  }, 0);
  return sum >= 0;
}

/**
 * A surface mended where that is safe: corners welded, faces of no area and doubled ones dropped, all turned one way,
 * loose bits left out, small holes closed by a fan. What is not safe is counted and stays.
 */
export function mended(raw: Mesh): { mesh: Mesh; mending: Mending } {
  const size = sizeOf(raw.points);
  const joined = welded(raw, Math.max(1e-9, size * WELD));
  const seen = new Set<string>();
  const sound = joined.triangles.filter((t) => {
    const [a, b, c] = t;
    if (a === b || b === c || c === a) return false;
    if (triangleArea(joined.points[a]!, joined.points[b]!, joined.points[c]!) < (size * 1e-7) ** 2)
      return false;
    const key = [...t].sort((p, q) => p - q).join();
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
  const { mesh, count } = split({ points: joined.points, triangles: sound });
  const { shells, turned } = shellsOf(mesh, edgesOf(mesh));
  const oriented = mesh.triangles.map(([a, b, c], t): [number, number, number] =>
    turned.has(t) ? [a, c, b] : [a, b, c],
  );
  const area = (faces: readonly number[]): number =>
    faces.reduce((sum, t) => {
      const [a, b, c] = oriented[t]!;
      return sum + triangleArea(mesh.points[a]!, mesh.points[b]!, mesh.points[c]!);
    }, 0);
  const areas = shells.map(area);
  const whole = areas.reduce((a, b) => a + b, 0);
  const kept = shells.filter((_, i) => areas[i]! >= BIT * whole);
  let flipped = 0;
  const triangles = kept.flatMap((shell) => {
    const faces = shell.map((t) => oriented[t]!);
    const out = looksOut(mesh, faces);
    flipped += shell.filter((t) => turned.has(t) === out).length;
    return out ? faces : faces.map(([a, b, c]): [number, number, number] => [a, c, b]);
  });
  const made = compact({ points: mesh.points, triangles });
  const loops = rimsOf(made, edgesOf(made));
  let closed = 0;
  for (const loop of loops) {
    const rim = loop.reduce(
      (sum, v, i) => sum + length3(sub3(made.points[loop[(i + 1) % loop.length]!]!, made.points[v]!)),
      0,
    );
    if (rim > SMALL_HOLE * size || loop.length < 3) continue;
    closed += 1;
    const middle =
      made.points.push(
        scale3(
          loop.reduce((sum, v) => add3(sum, made.points[v]!), { x: 0, y: 0, z: 0 }),
          1 / loop.length,
        ),
      ) - 1;
    loop.forEach((v, i) => made.triangles.push([loop[(i + 1) % loop.length]!, v, middle]));
  }
  // A closed surface that holds less than nothing looks inwards.
  if (loops.length === closed && kept.length === 1 && meshVolume(made) < 0)
    made.triangles = made.triangles.map(([a, b, c]) => [a, c, b]);
  return {
    mesh: made,
    mending: {
      welded: raw.points.length - joined.points.length,
      dropped: raw.triangles.length - sound.length,
      turned: Math.min(flipped, triangles.length - flipped),
      bits: shells.length - kept.length,
      shells: kept.length,
      closed,
      openings: loops.length - closed,
      split: count,
    },
  };
}
