import { type Body, headForm, zoneInfo } from '../../body';
import type { KeptMesh } from '../../document';
import { add3, type Mesh, type Vec3 } from '../../geometry';
import { type Enclosure, enclosureOf, LEAST_SHARE } from './enclosure';
import { type SkinParams, STAND_IN } from './fields';
import { BELOW_EYES_MM } from './stands';
import { faceOf, namedMesh } from './surface';

/** So many points of a surface are held against the head. */
const PROBES = 300;
/** No spot further than this is tried, mm; up and down less, so that what lies before the eyes stays there. */
const REACH_MM = { ahead: 45, up: 20 };
/** Steps of the search, coarse to fine, mm. */
const STEPS_MM = [24, 12, 6, 3, 1.5];
/** No surface is made larger or smaller than by this to take a head, nor past what its fields hold. */
const SCALES: readonly [number, number] = [0.4, 2.5];
/** Sizes are tried from the smallest, each so many times the one before. */
const STRIDE = 1.1;
const SIZE_PCT: readonly [number, number] = [10, 2000];
const AWAY_MM = 500;

/** What is nearer than the room that is asked counts so much more than what is further; further than this is all the same, mm. */
const TIGHT = 20;
const FAR_MM = 40;
/** How little a move counts where it is only to be clear: so that what lies before the eyes stays there. */
const PULL = 0.01;

/** Where a surface sits best on a head, the least gap there, and how much of the head is inside it. */
export interface Seat extends Enclosure {
  aheadMm: number;
  upMm: number;
  scalePct: number;
  leastGapMm: number;
}

/** A spot ahead and up, and the least gap there. */
type Spot = Pick<Seat, 'aheadMm' | 'upMm' | 'leastGapMm'>;

/** The least gap of points to the clothed head, by where they are moved to. */
function gapsTo(
  points: readonly Vec3[],
  body: Body,
  underLayerMm: number,
  each?: (gapMm: number) => void,
): (aheadMm: number, upMm: number) => number {
  const clearance = zoneInfo('head').clearance(body);
  const head = headForm(body);
  const [y0, z0] = [head.middle.y, head.eyeZ - BELOW_EYES_MM];
  return (aheadMm, upMm) => {
    let least = Infinity;
    for (const p of points) {
      const gap = clearance({ x: p.x, y: p.y + y0 + aheadMm, z: p.z + z0 + upMm }) - underLayerMm;
      least = Math.min(least, gap);
      each?.(gap);
    }
    return least;
  };
}

/**
 * The best spot for one size: where it lies snug at the room asked, nothing of it nearer if that can be; or, where the
 * `most` room is wanted, where the nearest of it is furthest off.
 */
function seatOf(
  mesh: Mesh,
  body: Body,
  underLayerMm: number,
  roomMm: number,
  clear: boolean,
  from: { aheadMm: number; upMm: number },
): Spot {
  const step = Math.max(1, Math.floor(mesh.points.length / PROBES));
  let off = 0;
  const least = gapsTo(
    mesh.points.filter((_, i) => i % step === 0),
    body,
    underLayerMm,
    (gap) => {
      if (gap < roomMm) off += TIGHT * (roomMm - gap) ** 2;
      else if (!clear) off += Math.min(FAR_MM, gap - roomMm) ** 2;
    },
  );
  const tried = (aheadMm: number, upMm: number): Spot & { off: number } => {
    off = clear ? PULL * ((aheadMm - from.aheadMm) ** 2 + (upMm - from.upMm) ** 2) : 0;
    const leastGapMm = least(aheadMm, upMm);
    return { aheadMm, upMm, leastGapMm, off };
  };
  let best = tried(from.aheadMm, from.upMm);
  for (const by of STEPS_MM)
    for (let moved = true, rounds = 0; moved && rounds < 12; rounds++) {
      moved = false;
      for (const [da, du] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
        [1, 1],
        [-1, -1],
        [1, -1],
        [-1, 1],
      ] as const) {
        const next = tried(best.aheadMm + da * by, best.upMm + du * by);
        const near =
          Math.abs(next.aheadMm - from.aheadMm) <= REACH_MM.ahead &&
          Math.abs(next.upMm - from.upMm) <= REACH_MM.up;
        if (!near || next.off >= best.off - 1e-6) continue;
        best = next;
        moved = true;
      }
    }
  return best;
}

/**
 * A surface set on a head: moved ahead and up to where it lies snug with some room; `resized`, it is also made as small as
 * leaves that room everywhere.
 */
export function seatOnHead(
  params: SkinParams,
  meshes: readonly KeptMesh[],
  body: Body,
  thicknessMm: number,
  underLayerMm: number,
  roomMm: number,
  resized: boolean,
): Seat {
  const named = namedMesh(params.mesh, meshes) ?? namedMesh(STAND_IN, [])!;
  const within = (v: number, [low, high]: readonly [number, number]): number =>
    Math.min(high, Math.max(low, v));
  const half = (mm: number): number => Math.round(within(mm, [-AWAY_MM, AWAY_MM]) * 2) / 2;
  /** As it is kept, and the gap of every point of the surface there. */
  const rounded = (seat: Spot, scalePct: number): Seat => {
    const [aheadMm, upMm] = [half(seat.aheadMm), half(seat.upMm)];
    const { mesh } = faceOf(named, { ...params, scalePct }, thicknessMm);
    const leastGapMm = gapsTo(mesh.points, body, underLayerMm)(aheadMm, upMm);
    return { scalePct, aheadMm, upMm, leastGapMm, ...held(mesh, aheadMm, upMm) };
  };
  const head = headForm(body);
  const held = (mesh: Mesh, aheadMm: number, upMm: number): Enclosure => {
    const stands = { x: 0, y: head.middle.y + aheadMm, z: head.eyeZ - BELOW_EYES_MM + upMm };
    return enclosureOf({ ...mesh, points: mesh.points.map((p) => add3(p, stands)) }, body, underLayerMm);
  };
  const at = (scalePct: number, clear: boolean): Spot => {
    const share = scalePct / params.scalePct;
    return seatOf(
      faceOf(named, { ...params, scalePct }, thicknessMm).mesh,
      body,
      underLayerMm,
      roomMm,
      clear,
      {
        aheadMm: half(params.aheadMm * share),
        // The same height of the surface stays before the eyes.
        upMm: half(BELOW_EYES_MM - (BELOW_EYES_MM - params.upMm) * share),
      },
    );
  };
  if (!resized) return rounded(at(params.scalePct, false), params.scalePct);
  const [least, most] = SCALES.map((s) => within(s * params.scalePct, SIZE_PCT)) as [number, number];
  /** One that is small enough clears the head before it, with nothing of the head inside. */
  const clears = (scalePct: number): boolean => {
    const { leastGapMm, aheadMm, upMm } = at(scalePct, true);
    if (leastGapMm < roomMm) return false;
    const { mesh } = faceOf(named, { ...params, scalePct }, thicknessMm);
    return held(mesh, aheadMm, upMm).share >= LEAST_SHARE;
  };
  // From below: a larger one may stand too low to clear the neck.
  let high = least;
  while (high < most && !clears(high)) high = Math.min(most, high * STRIDE);
  let low = high / STRIDE;
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (clears(middle)) high = middle;
    else low = middle;
  }
  // Found by some of its points; all of them decide.
  for (let scalePct = Math.ceil(high); ; scalePct++) {
    const seat = rounded(at(scalePct, true), scalePct);
    if (seat.leastGapMm >= roomMm || scalePct >= most) return seat;
  }
}
