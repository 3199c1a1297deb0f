import { type Body, levels, torsoSection, zoneInfo } from '../body';
import type { Vec3 } from '../geometry';
import { type PartReport, placingsOf, rootOf } from '../parts';

/** How the wearer gets through a doorway. */
export type Through = 'straight' | 'sideways' | 'not';

/** A part that is in the way where the wearer sits. */
export interface InTheWay {
  partId: string;
  name: string;
}

/** Doors, seats and toilets with everything worn on. */
export interface GettingAbout {
  /** Widest and deepest of trunk, legs and head with what is worn on them, the arms drawn in; the top above the floor. */
  widthMm: number;
  deepMm: number;
  topMm: number;
  door: Through;
  /** Lower than this a doorway is stooped through; nothing when none needs it. */
  stoopMm: number;
  /** Reaches so far behind the wearer's back between seat and shoulders: so far forward on a chair. */
  behindMm: number;
  /** Top above the seat, sitting. */
  aboveSeatMm: number;
  fitsCar: boolean;
  /** So far above the crown of the head. */
  aboveHeadMm: number;
  /** What would be sat on. */
  satOn: InTheWay[];
  /** What hangs lower than a riser is high, and is trodden on going up. */
  troddenOn: InTheWay[];
  /** What covers the hips and comes off first at the toilet. */
  offFirst: InTheWay[];
}

/** Clear width of a doorway 32 in, height 80 in, where public buildings must be reached (2010 ADA Standards, 404.2.3 and 307.4). */
export const DOOR_MM = { wide: 32 * 25.4, high: 80 * 25.4 };
/** The highest riser of stairs that must be reachable, 7 in (2010 ADA Standards, 504.2). */
export const RISER_MM = 7 * 25.4;
/** Room from the seat to the roof of a small car, mm; from memory. */
export const CAR_MM = 1000;
/** Depth of the seat of a chair, mm, and what the thighs want of it; from memory. */
export const SEAT_MM = { deep: 430, least: 250 };
/** Breadth over the muscles of the shoulders by that between their bones; from memory. */
const DELTOIDS = 1.2;
/** Sitting height as a share of stature (Drillis and Contini, 1966, as in handbooks of biomechanics). */
const SITTING = 0.52;
/** A seat is felt so far above and below the crotch, and further in than this from the back; mm. */
const SEAT_BAND_MM = 70;
/** Thinner foam behind the wearer is sat on without being noticed, mm. */
const FELT_MM = 12;

/** Lowest and highest along each way of a part on the figure, and what of it is in the way where one sits. */
interface Reaching {
  part: PartReport;
  low: Vec3;
  high: Vec3;
  behindMm: number;
  satOn: boolean;
  onHips: boolean;
}

/** Goes through every point of a part on the figure, all its copies, once. */
function reachOf(body: Body, parts: readonly PartReport[], part: PartReport): Reaching {
  const at = levels(body);
  const low = { x: Infinity, y: Infinity, z: Infinity };
  const high = { x: -Infinity, y: -Infinity, z: -Infinity };
  const reach: Reaching = { part, low, high, behindMm: 0, satOn: false, onHips: false };
  const backAt = (z: number): number => {
    const slice = torsoSection(body, Math.min(at.shoulder, Math.max(at.crotch, z)));
    return slice.forwardMm - slice.b;
  };
  const look = (p: Vec3): void => {
    low.x = Math.min(low.x, p.x);
    low.y = Math.min(low.y, p.y);
    low.z = Math.min(low.z, p.z);
    high.x = Math.max(high.x, p.x);
    high.y = Math.max(high.y, p.y);
    high.z = Math.max(high.z, p.z);
    // What is before the spine line is behind no back.
    if (p.y < 0 && p.z > at.hip && p.z < at.shoulder)
      reach.behindMm = Math.max(reach.behindMm, backAt(p.z) - p.y);
    if (!reach.satOn && Math.abs(p.z - at.crotch) < SEAT_BAND_MM) reach.satOn = backAt(p.z) - p.y > FELT_MM;
    if (!reach.onHips && p.z > at.crotch - SEAT_BAND_MM && p.z < at.hip + SEAT_BAND_MM)
      reach.onHips = insideHips(body, p);
  };
  for (const toFigure of placingsOf(body, parts, part.id))
    for (const points of [part.solid.mesh.points, part.extras.points])
      for (const p of points) look(toFigure(p));
  return reach;
}

/** Works out how the wearer gets about in everything that is worn; nothing when nothing is. */
export function gettingAbout(body: Body, parts: readonly PartReport[]): GettingAbout | undefined {
  const worn = parts.filter((part) => {
    const { mount } = rootOf(part, parts);
    return mount.to === 'wearer' && !zoneInfo(mount.zone).held;
  });
  if (worn.length === 0) return undefined;
  const at = levels(body);
  const placed = worn.map((part) => reachOf(body, parts, part));
  // Arms are drawn in and crossed; what is on the shoulders stays where it is.
  const passing = placed.filter(({ part }) => {
    const { mount } = rootOf(part, parts);
    return mount.to !== 'wearer' || mount.zone === 'shoulder' || zoneInfo(mount.zone).region !== 'Arm';
  });
  const half = (body.shoulderBreadth.valueMm * DELTOIDS) / 2;
  const chest = torsoSection(body, at.chest);
  const widthMm =
    Math.max(half, ...passing.map((p) => p.high.x)) - Math.min(-half, ...passing.map((p) => p.low.x));
  const deepMm =
    Math.max(chest.forwardMm + chest.b, ...passing.map((p) => p.high.y)) -
    Math.min(chest.forwardMm - chest.b, ...passing.map((p) => p.low.y));
  const topMm = Math.max(body.stature.valueMm, ...placed.map((p) => p.high.z));
  const those = (has: (p: Reaching) => boolean): InTheWay[] =>
    placed.filter(has).map(({ part }) => ({ partId: part.id, name: part.name }));
  const aboveSeatMm = topMm - (1 - SITTING) * body.stature.valueMm;
  return {
    widthMm,
    deepMm,
    topMm,
    door: widthMm <= DOOR_MM.wide ? 'straight' : deepMm <= DOOR_MM.wide ? 'sideways' : 'not',
    stoopMm: Math.max(0, topMm - DOOR_MM.high),
    behindMm: Math.max(...placed.map((p) => p.behindMm)),
    aboveSeatMm,
    fitsCar: aboveSeatMm <= CAR_MM,
    aboveHeadMm: topMm - body.stature.valueMm,
    satOn: those((p) => p.satOn),
    troddenOn: those(({ part, low }) => !onLeg(part, parts) && low.z < RISER_MM),
    offFirst: those((p) => p.onHips),
  };
}

/** Worn on a leg it goes up with the foot. */
function onLeg(part: PartReport, parts: readonly PartReport[]): boolean {
  const { mount } = rootOf(part, parts);
  return mount.to === 'wearer' && zoneInfo(mount.zone).region === 'Leg';
}

/** Over the trunk, not beside it: a hand hangs at the hips too. */
function insideHips(body: Body, p: Vec3): boolean {
  const slice = torsoSection(body, Math.max(levels(body).crotch, p.z));
  return Math.abs(p.x) < slice.a * 1.1;
}
