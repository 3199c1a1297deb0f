import { add3, contains, cross3, dot3, rotate2, scale3, sub3, type Vec2, type Vec3 } from '../geometry';
import { type Footprint, footprintOutline, type Free, type Room, roundOutline } from '../panel';
import { type Convex, onStand, prism, type Stand } from './convex';
import type { Span, Walls } from './walls';

/** How far a spot is followed to see which way its room lies, mm. */
const LOOK_MM = 0.5;

/** Where something stands in a room: on its plane, square to it; nothing off the room. */
export function standIn(room: Pick<Room, 'toSpace' | 'depthAt'>, spot: Vec2): Stand | undefined {
  if (room.depthAt(spot) === undefined) return undefined;
  const at = room.toSpace(spot, 0);
  const inward = unitOf(sub3(room.toSpace(spot, 1), at));
  /** The way a spot goes in space when it goes one way in the plane, as far as it stays in the room. */
  const going = (dx: number, dy: number): Vec3 | undefined => {
    const [ahead, back] = [1, -1].map((s) => ({ x: spot.x + s * dx, y: spot.y + s * dy }));
    const [a, b] = [ahead!, back!].map((p) => (room.depthAt(p) === undefined ? spot : p));
    const way = sub3(room.toSpace(a!, 0), room.toSpace(b!, 0));
    const level = sub3(way, scale3(inward!, dot3(way, inward!)));
    return unitOf(level);
  };
  const across = inward && going(LOOK_MM, 0);
  const rough = inward && going(0, LOOK_MM);
  if (!inward || !across || !rough) return undefined;
  const square = cross3(inward, across);
  return { at, across, up: dot3(square, rough) < 0 ? scale3(square, -1) : square, inward };
}

function unitOf(v: Vec3): Vec3 | undefined {
  const size = Math.hypot(v.x, v.y, v.z);
  return size < 1e-9 ? undefined : scale3(v, 1 / size);
}

/** A thing that is let go so much on each side is not stopped by the wall it touches, mm. */
const TOUCH_MM = 0.1;

/** A strip of what is put in, on its stand: its outline, and how much less it stands out there, near and far. */
interface Strip {
  outline: Vec2[];
  lessMm: number;
}

/** A bar is looked at in so many strips along it. */
const STRIPS = 96;

/** What is put in as strips that are as deep all over; a box and a disc are one. */
export function stripsOf(print: Footprint): Strip[] {
  const { widthMm, lengthMm, shape } = print;
  const own = {
    ...print,
    at: { x: 0, y: 0 },
    widthMm: Math.max(TOUCH_MM, widthMm - 2 * TOUCH_MM),
    lengthMm: Math.max(TOUCH_MM, lengthMm - 2 * TOUCH_MM),
  };
  if (shape !== 'bar') return [{ outline: footprintOutline(own), lessMm: 0 }];
  const r = widthMm / 2;
  const wide = own.widthMm / STRIPS;
  return Array.from({ length: STRIPS }, (_, i) => {
    const x = (i + 0.5 - STRIPS / 2) * wide;
    // It stands out most at the edge of the strip that is nearer its middle.
    const nearest = Math.max(0, Math.abs(x) - wide / 2);
    const turned = rotate2({ x, y: 0 }, (-print.turnDeg * Math.PI) / 180);
    return {
      outline: footprintOutline({
        at: turned,
        widthMm: wide,
        lengthMm: own.lengthMm,
        turnDeg: print.turnDeg,
      }),
      lessMm: r - Math.sqrt(Math.max(0, r * r - nearest * nearest)),
    };
  });
}

/** What is looked at for the middle alone. */
const spotOutline = footprintOutline({
  at: { x: 0, y: 0 },
  widthMm: 2 * TOUCH_MM,
  lengthMm: 2 * TOUCH_MM,
  turnDeg: 0,
});

/** How many spots along either side of an outline are held against a body. */
const PROBES = 6;

/** Spots all over an outline, its corners among them. */
function spotsOf(outline: readonly Vec2[]): Vec2[] {
  const [xs, ys] = [outline.map((p) => p.x), outline.map((p) => p.y)];
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - x0, Math.max(...ys) - y0];
  const grid = Array.from({ length: (PROBES + 1) ** 2 }, (_, i) => ({
    x: x0 + (w * (i % (PROBES + 1))) / PROBES,
    y: y0 + (h * Math.floor(i / (PROBES + 1))) / PROBES,
  }));
  return [...grid.filter((p) => contains(outline, p)), ...outline];
}

/** No further than this is looked for a body, mm, and so near it is met. */
const FAR_MM = 500;
const MET_MM = 0.02;

/** How deep a body is met below a spot, by steps as long as it is away (Hart, 1996); nothing where it is passed by. */
function bodyAt(stand: Stand, spot: Vec2, fromMm: number, away: (p: Vec3) => number): number | undefined {
  let depth = fromMm;
  for (let step = 0; step < 200 && depth < FAR_MM; step++) {
    const gap = away(onStand(stand, spot, depth));
    if (gap < MET_MM) return depth;
    depth += gap;
  }
  return undefined;
}

/** The first gap over an outline, within the gap over its middle; none where what stands beside closes it. */
function gapOver(spans: readonly Span[], [lowest, highest]: Span): Span {
  let near = lowest;
  for (const [from, to] of spans) {
    if (from > near + TOUCH_MM) return [near, Math.min(from, highest)];
    near = Math.max(near, to);
  }
  return [near, Math.max(near, highest)];
}

/** The gap that a depth lies in; none where something is there. */
function gapAt(spans: readonly Span[], depth: number): Span {
  let [near, far] = [-Infinity, Infinity];
  for (const [from, to] of spans) {
    if (to < depth) near = Math.max(near, to);
    else if (from > depth) far = Math.min(far, from);
    else return [depth, depth];
  }
  return [near, far];
}

/**
 * How much room there is for something rigid that stands in a room, under the whole of it and square to the plane it stands
 * on: to the nearest wall, stick or body.
 * @param away how far a spot is from the clothed body, where the room ends at one.
 */
export function freeUnder(stand: Stand, print: Footprint, walls: Walls, away?: (p: Vec3) => number): Free {
  const strips = stripsOf(print).map((strip) => ({ ...strip, spans: walls.over(stand, strip.outline) }));
  const within = gapOver(walls.over(stand, spotOutline), [0, Infinity]);
  const [lowest, highest] = gapOver(strips[Math.floor(strips.length / 2)]!.spans, within);
  // A bar stands in the gap behind its middle: beside that its wall may bend away from the plane and towards it.
  const middle = Math.min((lowest + highest) / 2, lowest + print.widthMm / 2);
  const gaps = strips.map(({ spans, lessMm }): Span => {
    const [near, far] = strips.length === 1 ? [lowest, highest] : gapAt(spans, middle);
    return [near - lessMm, far + lessMm];
  });
  const fromMm = Math.max(0, ...gaps.map(([near]) => near));
  let farMm = Math.min(...gaps.map(([, far]) => far));
  if (away)
    for (const { outline, lessMm } of strips)
      for (const spot of spotsOf(outline))
        farMm = Math.min(farMm, (bodyAt(stand, spot, fromMm, away) ?? Infinity) + lessMm);
  return { fromMm, roomMm: farMm === Infinity ? undefined : Math.max(0, farMm - fromMm) };
}

/** The solid of something that stands in a room, from a depth on. */
export function solidIn(stand: Stand, print: Footprint, fromMm: number, deepMm: number): Convex {
  if (print.shape !== 'bar')
    return prism(stand, footprintOutline({ ...print, at: { x: 0, y: 0 } }), fromMm, fromMm + deepMm);
  const turn = (-print.turnDeg * Math.PI) / 180;
  const going = (p: Vec2): Vec3 => {
    const q = rotate2(p, turn);
    return add3(scale3(stand.across, q.x), scale3(stand.up, q.y));
  };
  const lying: Stand = {
    at: onStand(stand, { x: 0, y: 0 }, fromMm + deepMm / 2),
    across: going({ x: 1, y: 0 }),
    up: stand.inward,
    inward: going({ x: 0, y: 1 }),
  };
  return prism(lying, roundOutline(print.widthMm), -print.lengthMm / 2, print.lengthMm / 2);
}
