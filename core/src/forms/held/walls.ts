import { itemAt, firstOf, lastOf } from '../../units';
import type { Vec2, Vec3 } from '../../geometry';
import { gridOf, type Panel, platePanel, type Side } from '../../panel';
import { ellipse } from './outlines';
import { rising } from './revolved';

/** Height above the foot and tape round the outside there. */
export interface Girth {
  zMm: number;
  girthMm: number;
}

const CELLS = 4;
const ROUND_CELLS = 48;

const plane = (
  id: string,
  name: string,
  middle: Vec3,
  across: Vec3,
  up: Vec3,
  wideMm: number,
  highMm: number,
): Panel => ({
  id,
  name,
  grid: gridOf(CELLS, CELLS, (u, v) => {
    const [x, y] = [(u - 0.5) * wideMm, (v - 0.5) * highMm];
    return {
      x: middle.x + across.x * x + up.x * y,
      y: middle.y + across.y * x + up.y * y,
      z: middle.z + across.z * x + up.z * y,
    };
  }),
  edges: { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' },
});

/** The six walls of a box by its outside, butted: front and back whole, the sides between them, lid and floor within all four. */
export function boxWalls(wideMm: number, deepMm: number, highMm: number, wallMm: number): Panel[] {
  const [w, d, h, t] = [wideMm / 2, deepMm / 2, highMm, wallMm];
  const [x, y, z] = [
    { x: 1, y: 0, z: 0 },
    { x: 0, y: 1, z: 0 },
    { x: 0, y: 0, z: 1 },
  ];
  const back = (v: Vec3): Vec3 => ({ x: -v.x, y: -v.y, z: -v.z });
  const at = (px: number, py: number, pz: number): Vec3 => ({ x: px, y: py, z: pz });
  const between = Math.max(1, deepMm - 2 * t);
  const within = Math.max(1, wideMm - 2 * t);
  const existing = (behindMm: number) => ({
    existing: { wallMm: t, behindMm: Math.max(1, behindMm - 2 * t) },
  });
  return [
    { ...plane('front', 'front', at(0, d - t, h / 2), back(x), z, wideMm, h), ...existing(deepMm) },
    { ...plane('back', 'back', at(0, t - d, h / 2), x, z, wideMm, h), ...existing(deepMm) },
    { ...plane('right', 'right side', at(w - t, 0, h / 2), y, z, between, h), ...existing(wideMm) },
    { ...plane('left', 'left side', at(t - w, 0, h / 2), back(y), z, between, h), ...existing(wideMm) },
    { ...plane('top', 'top', at(0, 0, h - t), x, y, within, between), ...existing(h) },
    { ...plane('foot', 'foot', at(0, 0, t), x, back(y), within, between), ...existing(h) },
  ];
}

/** How far a round is drawn out either way. */
export interface Oval {
  x: number;
  y: number;
}

/**
 * A round drawn out from front to back by a share of its breadth, its girth kept: the perimeter of the ellipse by
 * Ramanujan’s second formula (1914), within a millionth here.
 */
export function ovalOf(longerShare: number): Oval {
  const [a, b] = [1 + longerShare, 1];
  const h = ((a - b) / (a + b)) ** 2;
  const girth = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
  const s = (2 * Math.PI) / girth;
  return { x: b * s, y: a * s };
}

/** Girths that are all at one height are taken to stand this high. */
export const LEAST_HIGH_MM = 10;

/** How far across a round thing is from its foot up, at two heights at the least. */
export function roundProfile(girths: readonly Girth[]): Ring[] {
  const profile = rising(girths.map((g) => ({ zMm: g.zMm, acrossMm: g.girthMm / Math.PI })));
  const [first] = profile;
  return profile.length > 1 ? profile : [first!, { ...first!, zMm: first!.zMm + LEAST_HIGH_MM }];
}

/** A round at a height: how far across it is outside. */
export interface Ring {
  zMm: number;
  acrossMm: number;
}

/** The round at a height of a profile, straight between its rounds and as its ends beyond them. */
export function ringAt(profile: readonly Ring[], zMm: number): Ring {
  const k = profile.findIndex((r) => r.zMm >= zMm);
  const i = k < 0 ? profile.length - 1 : Math.max(1, k);
  const [low, high] = [itemAt(profile, i - 1), itemAt(profile, i)];
  const t = high.zMm > low.zMm ? Math.min(1, Math.max(0, (zMm - low.zMm) / (high.zMm - low.zMm))) : 0;
  return { zMm, acrossMm: low.acrossMm + (high.acrossMm - low.acrossMm) * t };
}

/** Open behind a wall round a hollow that is so far across. */
const behindIn = (acrossMm: number, wallMm: number): number => Math.max(1, acrossMm - 2 * wallMm);

/** The wall between two rounds, its seam behind: a cone or ring that unrolls into a flat arc. */
export function bandWall(
  id: string,
  name: string,
  low: Ring,
  high: Ring,
  wallMm: number,
  oval: Oval = { x: 1, y: 1 },
): Panel {
  const r = low.acrossMm / 2;
  const [rise, run] = [high.zMm - low.zMm, high.acrossMm / 2 - r];
  const slope = Math.hypot(rise, run);
  // Square in from the outer face, so that what is laid on it is measured where the tape was.
  const inwards = { r: (-wallMm * rise) / slope, z: (wallMm * run) / slope };
  return {
    id,
    name,
    grid: gridOf(ROUND_CELLS, 2, (u, v) => {
      const radius = Math.max(0.4, r + v * run + inwards.r);
      const turn = -Math.PI / 2 + 2 * Math.PI * u;
      return {
        x: radius * oval.x * Math.cos(turn),
        y: radius * oval.y * Math.sin(turn),
        z: low.zMm + v * rise + inwards.z,
      };
    }),
    edges: { bottom: 'lower edge', right: 'seam', top: 'upper edge', left: 'seam' },
    existing: { wallMm, behindMm: behindIn(Math.min(low.acrossMm, high.acrossMm), wallMm) },
  };
}

/** Ends narrower than this are a point. */
const POINT_MM = 6;

/**
 * The walls of a round thing by its girths: a band between each two, cones and rings that unroll into flat arcs, with
 * the seam behind; and its ends, where they are closed.
 */
export function roundWalls(
  girths: readonly Girth[],
  wallMm: number,
  closed: { top: boolean; foot: boolean },
  oval: Oval = { x: 1, y: 1 },
): Panel[] {
  const profile = roundProfile(girths);
  const [low, high] = [firstOf(profile), lastOf(profile)];
  const ends = [
    ...(closed.top ? [{ id: 'top', name: 'top', z: high.zMm - wallMm, end: high, upY: 1 }] : []),
    ...(closed.foot ? [{ id: 'foot', name: 'foot', z: low.zMm + wallMm, end: low, upY: -1 }] : []),
  ].filter(({ end }) => end.acrossMm - 2 * wallMm > POINT_MM);
  return [
    ...profile
      .slice(1)
      .map((high, i) => bandWall(`band-${i + 1}`, `band ${i + 1}`, itemAt(profile, i), high, wallMm, oval)),
    ...ends.map(({ id, name, z, end, upY }): Panel => ({
      ...platePanel({
        id,
        name,
        origin: { x: 0, y: 0, z },
        across: { x: 1, y: 0, z: 0 },
        up: { x: 0, y: upY, z: 0 },
        outline: ellipse(
          { x: 0, y: 0 },
          (end.acrossMm / 2 - wallMm) * oval.x,
          (end.acrossMm / 2 - wallMm) * oval.y,
        ),
        cuts: [],
      }),
      existing: { wallMm, behindMm: behindIn(high.zMm - low.zMm, wallMm) },
    })),
  ];
}

/** One wall marked as not to be cut; all of them as they are when there is none of that name. */
export const keptWhole = (walls: readonly Panel[], id: string): Panel[] =>
  walls.map((wall) => (wall.id === id ? { ...wall, existing: { ...wall.existing!, uncut: true } } : wall));

/** A ring closed by its first point and moved inwards by a wall, so that a wall laid on it comes out on the ring again. */
function insideOf(ring: readonly Vec2[], wallMm: number): Vec2[] {
  const round = [...ring, firstOf(ring)];
  const last = round.length - 1;
  return round.map((p, i) => {
    const [a, b] = [itemAt(round, Math.max(0, i - 1)), itemAt(round, Math.min(last, i + 1))];
    const size = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: p.x - ((b.y - a.y) / size) * wallMm, y: p.y + ((b.x - a.x) / size) * wallMm };
  });
}

/** The walls of a thing as deep all over: front and back by its outline, seen from the front, and a strip round it with the seam at the foot. */
export function outlineWalls(outline: readonly Vec2[], deepMm: number, wallMm: number): Panel[] {
  const half = deepMm / 2;
  const foot = outline.reduce((best, p, i) => (p.y < itemAt(outline, best).y ? i : best), 0);
  const ring = [...outline.slice(foot), ...outline.slice(0, foot)];
  const round = insideOf(ring, wallMm);
  const xs = ring.map((p) => p.x);
  const hollow = behindIn(deepMm, wallMm);
  const plate = (id: string, y: number, x: 1 | -1): Panel => ({
    ...platePanel({
      id,
      name: id,
      origin: { x: 0, y, z: 0 },
      across: { x, y: 0, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      outline: x === -1 ? [...ring] : ring.map((p) => ({ x: -p.x, y: p.y })).reverse(),
      cuts: [],
    }),
    existing: { wallMm, behindMm: hollow },
  });
  return [
    plate('front', half - wallMm, -1),
    plate('back', wallMm - half, 1),
    {
      id: 'side',
      name: 'side, all round',
      grid: [wallMm - half, half - wallMm].map((y) => round.map((p) => ({ x: -p.x, y, z: p.y }))),
      edges: { bottom: 'back edge', right: 'seam', top: 'front edge', left: 'seam' },
      existing: { wallMm, behindMm: behindIn(Math.max(...xs) - Math.min(...xs), wallMm) },
    },
  ];
}

/**
 * The walls of a thing whose section is the same all the way up: foot and top by its section, seen from above with its
 * front below, and a strip round it with the seam behind.
 */
export function sectionWalls(section: readonly Vec2[], highMm: number, wallMm: number): Panel[] {
  const behind = section.reduce((best, p, i) => (p.y > itemAt(section, best).y ? i : best), 0);
  const ring = [...section.slice(behind), ...section.slice(0, behind)];
  const ys = ring.map((p) => p.y);
  const hollow = behindIn(highMm, wallMm);
  const plate = (id: 'top' | 'foot', z: number, upY: 1 | -1): Panel => ({
    ...platePanel({
      id,
      name: id,
      origin: { x: 0, y: 0, z },
      across: { x: -1, y: 0, z: 0 },
      up: { x: 0, y: upY, z: 0 },
      outline: upY === -1 ? [...ring] : ring.map((p) => ({ x: p.x, y: -p.y })).reverse(),
      cuts: [],
    }),
    existing: { wallMm, behindMm: hollow },
  });
  return [
    plate('top', highMm - wallMm, -1),
    plate('foot', wallMm, 1),
    {
      id: 'side',
      name: 'side, all round',
      grid: [0, highMm].map((z) => insideOf(ring, wallMm).map((p) => ({ x: -p.x, y: -p.y, z }))),
      edges: { bottom: 'lower edge', right: 'seam', top: 'upper edge', left: 'seam' },
      existing: { wallMm, behindMm: behindIn(Math.max(...ys) - Math.min(...ys), wallMm) },
    },
  ];
}

/** The wall that is a lid, with the side that its hinge is at; all of them as they are when there is none of that name. */
export const hinged = (walls: readonly Panel[], id: string, side: Side): Panel[] =>
  walls.map((wall) => (wall.id === id ? { ...wall, existing: { ...wall.existing!, hinge: side } } : wall));
