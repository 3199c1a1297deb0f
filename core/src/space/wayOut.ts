import { firstOf } from '../units';
import { add3, cross3, dist3, dot3, scale3, type Vec3 } from '../geometry';
import type { Convex } from './convex';
import type { Triangle } from './faces';
import type { Walls } from './walls';

/** A box along the axes round some points. */
export interface Extent {
  least: Vec3;
  most: Vec3;
}

export function extentOf(points: readonly Vec3[]): Extent {
  const least = { x: Infinity, y: Infinity, z: Infinity };
  const most = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const p of points)
    for (const k of ['x', 'y', 'z'] as const) {
      if (p[k] < least[k]) least[k] = p[k];
      if (p[k] > most[k]) most[k] = p[k];
    }
  return { least, most };
}

/** The box round several; nothing round none. */
export const togetherExtent = (all: readonly Extent[]): Extent | undefined =>
  all.length === 0 ? undefined : extentOf(all.flatMap((e) => [e.least, e.most]));

export const extentOfFaces = (faces: readonly Triangle[]): Extent => extentOf(faces.flat());

/**
 * What a search for a way out found: the shifts from where a thing lies; that there is none; that it does not lie free where
 * it is, so that nothing can be said; or that it gave up.
 */
export type WayOut = { way: Vec3[] } | 'none' | 'stuck' | 'unknown';

/** A thing is pushed through so much smaller on every side than it is: foam gives that, mm. */
const GIVE_MM = 0.4;
/** A step along an axis is no longer than this share of the thing along it, so that no wall is passed over, and within these, mm. */
const STEP_SHARE = 0.7;
const STEP_MM: readonly [number, number] = [1.5, 24];
/** Hatches leave a few millimetres: shorter steps find no more, unless the thing itself is thinner. */
const FINE_MM = 3;
/** Where long steps find no way, short ones may: a gap can lie between two long steps. */
const FINER = 3;
/** No more places than this are looked at by long steps, and by short ones where something open is seen. */
const MOST = 600;
const MOST_FINE = 4000;
/** From so many of the places that were reached it is looked for anything open. */
const LOOKED_FROM = 10;
/** Ways that are looked along for anything open, where there are too many places. */
const LOOKS = 800;

/** What a spot is moved by when three planes through it are each drawn in by so much (Cramer’s rule). */
function drawnIn([a, b, c]: readonly Vec3[], by: readonly number[]): Vec3 | undefined {
  const whole = dot3(a!, cross3(b!, c!));
  if (Math.abs(whole) < 1e-9) return undefined;
  return scale3(
    add3(
      scale3(cross3(b!, c!), -firstOf(by)),
      add3(scale3(cross3(c!, a!), -by[1]!), scale3(cross3(a!, b!), -by[2]!)),
    ),
    1 / whole,
  );
}

/** The same with every face drawn in a little. */
function eased({ points, normals, edges }: Convex): Convex {
  const faces = normals
    .flatMap((n) => [n, scale3(n, -1)])
    .filter((n, i, all) => all.findIndex((m) => dot3(m, n) > 1 - 1e-9) === i)
    .map((n) => {
      const out = points.map((p) => dot3(n, p));
      return { n, most: Math.max(...out), deep: Math.max(...out) - Math.min(...out) };
    });
  return {
    points: points.map((p) => {
      const own = faces.filter(({ n, most }) => dot3(n, p) > most - 1e-6).slice(0, 3);
      const by = own.map(({ deep }) => Math.min(GIVE_MM, deep / 4));
      const shift =
        own.length === 3
          ? drawnIn(
              own.map(({ n }) => n),
              by,
            )
          : undefined;
      return shift ? add3(p, shift) : p;
    }),
    normals,
    edges,
  };
}

/** How far a thing is still in, mm: the least it has to go along an axis until it is clear of an extent. */
function leftIn({ least, most }: Extent, own: Extent, by: Vec3): number {
  return Math.min(
    own.most.x + by.x - least.x,
    most.x - (own.least.x + by.x),
    own.most.y + by.y - least.y,
    most.y - (own.least.y + by.y),
    own.most.z + by.z - least.z,
    most.z - (own.least.z + by.z),
  );
}

/** One search, by steps of a length along each axis. */
function search(
  thing: Convex,
  axes: readonly Vec3[],
  stepMm: readonly number[],
  meets: Walls['meets'],
  extent: Extent,
  most: number,
): { found: WayOut; reached: Vec3[] } {
  const own = extentOf(thing.points);
  const shiftOf = (at: readonly number[]): Vec3 =>
    axes.reduce((sum, a, i) => add3(sum, scale3(a, at[i]! * stepMm[i]!)), { x: 0, y: 0, z: 0 });
  const known = new Map<string, boolean>();
  /** Whether a place on the lattice of steps is free. */
  const free = (at: readonly number[]): boolean => {
    const key = at.join();
    let is = known.get(key);
    if (is === undefined) {
      is = !meets(thing, shiftOf(at));
      known.set(key, is);
    }
    return is;
  };
  const left = (at: readonly number[]): number => leftIn(extent, own, shiftOf(at));
  const dirs = axes.flatMap((_, i) => [1, -1].map((s) => axes.map((__, k) => (k === i ? s : 0))));
  /** Straight on to the outside, if that is free. */
  const straight = (from: readonly number[]): number[] | undefined => {
    for (const dir of dirs) {
      let at = [...from];
      while (left(at) > 0 && free(at)) at = at.map((v, i) => v + dir[i]!);
      if (left(at) <= 0) return at;
    }
    return undefined;
  };
  const start = axes.map(() => 0);
  // What does not lie free where it is cannot be followed from there.
  if (!free(start)) return { found: 'stuck', reached: [] };
  const cameFrom = new Map<string, { from?: readonly number[]; at: readonly number[] }>([
    [start.join(), { at: start }],
  ]);
  const wayTo = (end: readonly number[]): Vec3[] => {
    const way: Vec3[] = [];
    for (let step = cameFrom.get(end.join()); step?.from; step = cameFrom.get(step.from.join()))
      way.unshift(shiftOf(step.at));
    return way;
  };
  const reached: Vec3[] = [];
  const open: { at: readonly number[]; left: number }[] = [{ at: start, left: left(start) }];
  for (let looked = 0; open.length > 0; looked++) {
    const best = open.reduce((b, o, i) => (o.left < open[b]!.left ? i : b), 0);
    const { at, left: leftMm } = firstOf(open.splice(best, 1));
    if (leftMm <= 0) return { found: { way: wayTo(at) }, reached };
    const out = looked % 8 === 0 ? straight(at) : undefined;
    if (out) return { found: { way: [...wayTo(at), shiftOf(out)] }, reached };
    if (looked > most) return { found: 'unknown', reached };
    reached.push(shiftOf(at));
    for (const dir of dirs) {
      const next = at.map((v, i) => v + dir[i]!);
      const key = next.join();
      if (cameFrom.has(key) || !free(next)) continue;
      cameFrom.set(key, { from: at, at: next });
      open.push({ at: next, left: left(next) });
    }
  }
  return { found: 'none', reached };
}

export const middleOf = ({ points }: Convex): Vec3 =>
  scale3(
    points.reduce((sum, p) => add3(sum, p), { x: 0, y: 0, z: 0 }),
    1 / points.length,
  );

/** Whether anything open is seen from a spot, looking all round (a spiral over the sphere). */
export function seesOut(from: Vec3, { reach }: Pick<Walls, 'reach'>): boolean {
  return Array.from({ length: LOOKS }, (_, i) => {
    const z = 1 - (2 * i + 1) / LOOKS;
    const turn = i * Math.PI * (3 - Math.sqrt(5));
    const r = Math.sqrt(1 - z * z);
    return { x: r * Math.cos(turn), y: r * Math.sin(turn), z };
  }).some((way) => reach(from, way) === undefined);
}

/**
 * A way by which a solid comes out from between walls, moved along its own axes and not turned: by straight lines first,
 * then from place to place, those nearest the outside first. What is found is free at every step, and no step is longer
 * than the thing is thick, so that no wall is passed over.
 * @param axes unit vectors along which it may move, both ways.
 * @returns the shifts of every turn of the way; `none` when every place it can reach was looked at, or there were too many
 * and nothing open is seen from where it lies.
 */
export function wayOut(
  solid: Convex,
  axes: readonly Vec3[],
  walls: Pick<Walls, 'meets' | 'reach'>,
  extent: Extent,
): WayOut {
  const thing = eased(solid);
  const long = axes.map((a) => {
    const along = thing.points.map((p) => dot3(a, p));
    return Math.max(...along) - Math.min(...along);
  });
  const whole = long.map((mm) => Math.min(STEP_MM[1], Math.max(STEP_MM[0], STEP_SHARE * mm)));
  const fine = whole.map((mm) => Math.min(mm, Math.max(FINE_MM, mm / FINER)));
  const first = search(thing, axes, whole, walls.meets, extent, MOST);
  if (first.found === 'stuck' || typeof first.found === 'object') return first.found;
  // Where nothing open is seen from anywhere it reaches, it is closed in.
  const middle = middleOf(solid);
  const every = Math.max(1, Math.floor(first.reached.length / LOOKED_FROM));
  const spots = first.reached.filter((_, i) => i % every === 0).map((by) => add3(middle, by));
  if (!spots.some((p) => seesOut(p, walls))) return 'none';
  return first.found === 'none' ? search(thing, axes, fine, walls.meets, extent, MOST_FINE).found : 'unknown';
}

/** How long a way is, mm. */
export const wayLength = (way: readonly Vec3[]): number =>
  way.reduce((sum, p, i) => sum + dist3(i === 0 ? { x: 0, y: 0, z: 0 } : way[i - 1]!, p), 0);
