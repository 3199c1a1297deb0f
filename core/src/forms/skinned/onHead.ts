import { type Body, headForm, zoneInfo } from '../../body';
import type { KeptMesh } from '../../document';
import type { Mesh } from '../../geometry';
import { type SkinParams, STAND_IN } from './fields';
import { BELOW_EYES_MM } from './stands';
import { faceOf, namedMesh } from './surface';

/** So many points of a surface are held against the head, and no spot further than this is tried, mm. */
const PROBES = 500;
const REACH_MM = 45;
/** Steps of the search, coarse to fine, mm. */
const STEPS_MM = [24, 12, 6, 3, 1.5];
/** No surface is made larger or smaller than by this to take a head. */
const SCALES: readonly [number, number] = [0.4, 2.5];

/** What is nearer than the room that is asked counts so much more than what is further; further than this is all the same, mm. */
const TIGHT = 20;
const FAR_MM = 40;

/** Where a surface sits best on a head, and the least gap there. */
export interface Seat {
  aheadMm: number;
  upMm: number;
  scalePct: number;
  leastGapMm: number;
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
  most: boolean,
  from: { aheadMm: number; upMm: number },
): Seat {
  const clearance = zoneInfo('head').clearance(body);
  const head = headForm(body);
  const step = Math.max(1, Math.floor(mesh.points.length / PROBES));
  const probes = mesh.points.filter((_, i) => i % step === 0);
  const [y0, z0] = [head.middle.y, head.eyeZ - BELOW_EYES_MM];
  const gapsAt = (aheadMm: number, upMm: number): { off: number; leastGapMm: number } => {
    let off = 0;
    let leastGapMm = Infinity;
    for (const p of probes) {
      const gap = clearance({ x: p.x, y: p.y + y0 + aheadMm, z: p.z + z0 + upMm }) - underLayerMm;
      leastGapMm = Math.min(leastGapMm, gap);
      off += gap < roomMm ? TIGHT * (roomMm - gap) ** 2 : Math.min(FAR_MM, gap - roomMm) ** 2;
    }
    return { off: most ? -leastGapMm : off, leastGapMm };
  };
  let best = { ...from, ...gapsAt(from.aheadMm, from.upMm) };
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
      ] as const) {
        const [aheadMm, upMm] = [best.aheadMm + da * by, best.upMm + du * by];
        if (Math.abs(aheadMm - from.aheadMm) > REACH_MM || Math.abs(upMm - from.upMm) > REACH_MM) continue;
        const gaps = gapsAt(aheadMm, upMm);
        if (gaps.off < best.off - 1e-6) {
          best = { aheadMm, upMm, ...gaps };
          moved = true;
        }
      }
    }
  const { aheadMm, upMm, leastGapMm } = best;
  return { aheadMm, upMm, leastGapMm, scalePct: 100 };
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
  const rounded = (seat: Seat, scalePct: number): Seat => ({
    scalePct,
    aheadMm: Math.round(seat.aheadMm * 2) / 2,
    upMm: Math.round(seat.upMm * 2) / 2,
    leastGapMm: seat.leastGapMm,
  });
  const at = (scalePct: number, most: boolean): Seat => {
    const share = scalePct / params.scalePct;
    return seatOf(
      faceOf(named, { ...params, scalePct }, thicknessMm).mesh,
      body,
      underLayerMm,
      roomMm,
      most,
      {
        aheadMm: params.aheadMm * share,
        upMm: params.upMm,
      },
    );
  };
  if (!resized) return rounded(at(params.scalePct, false), params.scalePct);
  let [low, high] = SCALES.map((s) => s * params.scalePct) as [number, number];
  const largest = at(high, true);
  if (largest.leastGapMm < roomMm) return rounded(largest, Math.round(high));
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (at(middle, true).leastGapMm >= roomMm) high = middle;
    else low = middle;
  }
  const scalePct = Math.ceil(high);
  return rounded(at(scalePct, true), scalePct);
}
