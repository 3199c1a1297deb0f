import { type Box3, BufferAttribute, BufferGeometry, DoubleSide, Ray } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import { add3, cross3, dot3, scale3, unit3, type Vec2, type Vec3 } from '../geometry';
import type { Stick, LaidPanel } from '../panel';
import type { Convex, Stand } from './convex';
import { type Ready, readied } from './cutsInto';
import { panelFaces, stickFaces, type Triangle } from './faces';

/** A run of depths, mm. */
export type Span = [fromMm: number, toMm: number];

/** What bounds the rooms of a part, as triangles in a bounding volume hierarchy. */
export interface Walls {
  /** How far it is from a spot along a way to the nearest wall, mm; nothing where there is none. */
  reach: (from: Vec3, way: Vec3) => number | undefined;
  /** Depths at which there is a wall over an outline on a stand, nearest first: exact for the triangles. */
  over: (stand: Stand, outline: readonly Vec2[]) => Span[];
  /** Whether a solid cuts into a wall, where it is or moved so far. */
  meets: (solid: Convex, by?: Vec3) => boolean;
}

/** A ray begins this far off the face it leaves, so that it does not meet that face. */
const OFF_MM = 0.05;

/** A ray that runs exactly along a seam may slip between the triangles beside it: then others next to it are tried, mm. */
const aside = [
  [0, 0],
  [0.02, 0.01],
  [-0.02, -0.01],
] as const;

/** Room for the corners of a triangle clipped by an outline of many sides: x, y and z one after another. */
const MOST_CORNERS = 3 * 160;
const [ring, clipped] = [new Float64Array(MOST_CORNERS), new Float64Array(MOST_CORNERS)];

/**
 * A triangle over an outline: the depths of what lies within it, by clipping it at every edge (Sutherland and Hodgman, 1974).
 * @param corners x, y and z of its three corners on the stand.
 */
function depthsOver(corners: readonly number[], outline: readonly Vec2[]): Span | undefined {
  let [from, to] = [ring, clipped];
  let count = 3;
  for (let i = 0; i < 9; i++) from[i] = corners[i]!;
  for (let i = 0; i < outline.length && count > 0; i++) {
    const p = outline[i]!;
    const q = outline[i + 1 === outline.length ? 0 : i + 1]!;
    const [ex, ey] = [q.x - p.x, q.y - p.y];
    let kept = 0;
    for (let k = 0; k < count; k++) {
      const a = 3 * k;
      const b = k + 1 === count ? 0 : a + 3;
      const da = ex * (from[a + 1]! - p.y) - ey * (from[a]! - p.x);
      const db = ex * (from[b + 1]! - p.y) - ey * (from[b]! - p.x);
      if (da >= 0) {
        to[kept++] = from[a]!;
        to[kept++] = from[a + 1]!;
        to[kept++] = from[a + 2]!;
      }
      if (da >= 0 !== db >= 0) {
        const t = da / (da - db);
        for (let c = 0; c < 3; c++) to[kept++] = from[a + c]! + t * (from[b + c]! - from[a + c]!);
      }
    }
    count = kept / 3;
    [from, to] = [to, from];
  }
  if (count === 0) return undefined;
  let [least, most] = [Infinity, -Infinity];
  for (let k = 0; k < count; k++) {
    const z = from[3 * k + 2]!;
    if (z < least) least = z;
    if (z > most) most = z;
  }
  return [least, most];
}

/** Runs that touch as one, nearest first. */
function merged(spans: readonly Span[]): Span[] {
  const all: Span[] = [];
  for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
    const last = all.at(-1);
    if (last && from <= last[1] + 1e-6) last[1] = Math.max(last[1], to);
    else all.push([from, to]);
  }
  return all;
}

/** The middle and half sizes of a box along an axis. */
function alongAxis({ min, max }: Box3, axis: Vec3): [middle: number, half: number] {
  return [
    ((min.x + max.x) * axis.x + (min.y + max.y) * axis.y + (min.z + max.z) * axis.z) / 2,
    ((max.x - min.x) * Math.abs(axis.x) +
      (max.y - min.y) * Math.abs(axis.y) +
      (max.z - min.z) * Math.abs(axis.z)) /
      2,
  ];
}

const still: Vec3 = { x: 0, y: 0, z: 0 };

/** Walls made of triangles, wherever they come from. */
export function wallsOfFaces(triangles: readonly Triangle[]): Walls {
  const places = new Float32Array(triangles.length * 9);
  triangles.forEach((t, i) => t.forEach((p, k) => places.set([p.x, p.y, p.z], 9 * i + 3 * k)));
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(places, 3));
  const tree = triangles.length > 0 ? new MeshBVH(geometry) : undefined;
  const ray = new Ray();
  // One thing is held against the walls at many places, one after another.
  let asked: { solid: Convex; ready: Ready } | undefined;
  const first = (from: Vec3, way: Vec3): number | undefined => {
    ray.origin.set(from.x, from.y, from.z);
    ray.direction.set(way.x, way.y, way.z);
    return tree?.raycastFirst(ray, DoubleSide)?.distance;
  };
  return {
    reach: (from, way) => {
      const start = add3(from, scale3(way, OFF_MM));
      const beside = unit3(cross3(way, Math.abs(way.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 }));
      const over = cross3(way, beside);
      for (const [x, y] of aside) {
        const hit = first(add3(start, add3(scale3(beside, x), scale3(over, y))), way);
        if (hit !== undefined) return hit + OFF_MM;
      }
      return undefined;
    },
    over: ({ at, across, up, inward }, outline) => {
      const [xs, ys] = [outline.map((p) => p.x), outline.map((p) => p.y)];
      const [x0, x1] = [dot3(at, across) + Math.min(...xs), dot3(at, across) + Math.max(...xs)];
      const [y0, y1] = [dot3(at, up) + Math.min(...ys), dot3(at, up) + Math.max(...ys)];
      const [ox, oy, oz] = [dot3(at, across), dot3(at, up), dot3(at, inward)];
      const spans: Span[] = [];
      const local = new Array<number>(9);
      tree?.shapecast({
        intersectsBounds: (box) => {
          const [x, halfX] = alongAxis(box, across);
          if (x + halfX < x0 || x - halfX > x1) return false;
          const [y, halfY] = alongAxis(box, up);
          return y + halfY >= y0 && y - halfY <= y1;
        },
        intersectsTriangle: ({ a, b, c }) => {
          let n = 0;
          for (const p of [a, b, c]) {
            local[n++] = dot3(p, across) - ox;
            local[n++] = dot3(p, up) - oy;
            local[n++] = dot3(p, inward) - oz;
          }
          const span = depthsOver(local, outline);
          if (span) spans.push(span);
          return false;
        },
      });
      return merged(spans);
    },
    meets: (solid, by = still) => {
      if (asked?.solid !== solid) asked = { solid, ready: readied(solid) };
      const { moveTo, mayMeet, cutBy } = asked.ready;
      moveTo(by);
      return tree?.shapecast({ intersectsBounds: mayMeet, intersectsTriangle: cutBy }) ?? false;
    },
  };
}

/** The foam of a part, both faces of every piece of it, and its sticks. */
export const wallsOf = (laid: readonly LaidPanel[], sticks: readonly Stick[]): Walls =>
  wallsOfFaces([
    ...laid.filter((l) => !l.panel.unseen).flatMap((l) => panelFaces(l)),
    ...sticks.flatMap(stickFaces),
  ]);

/** Several walls as one, as far as they stop what goes out. */
export const togetherWalls = (all: readonly Walls[]): Pick<Walls, 'meets' | 'reach'> => ({
  meets: (solid, by) => all.some((w) => w.meets(solid, by)),
  reach: (from, way) => {
    const found = all.flatMap((w) => w.reach(from, way) ?? []);
    return found.length === 0 ? undefined : Math.min(...found);
  },
});
