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

/** Every point of a part on the figure, all its copies. */
function pointsOf(body: Body, parts: readonly PartReport[], part: PartReport): Vec3[] {
  const own = [...part.solid.mesh.points, ...part.extras.points];
  return placingsOf(body, parts, part.id).flatMap((toFigure) => own.map(toFigure));
}

const span = (values: readonly number[]): [number, number] =>
  values.reduce<[number, number]>(([lo, hi], v) => [Math.min(lo, v), Math.max(hi, v)], [Infinity, -Infinity]);

/** Works out how the wearer gets about in everything that is worn; nothing when nothing is. */
export function gettingAbout(body: Body, parts: readonly PartReport[]): GettingAbout | undefined {
  const worn = parts.filter((part) => {
    const { mount } = rootOf(part, parts);
    return mount.to === 'wearer' && !zoneInfo(mount.zone).held;
  });
  if (worn.length === 0) return undefined;
  const at = levels(body);
  const placed = worn.map((part) => ({ part, points: pointsOf(body, parts, part) }));
  // Arms are drawn in and crossed; what is on the shoulders stays where it is.
  const passing = placed.filter(({ part }) => {
    const { mount } = rootOf(part, parts);
    return mount.to !== 'wearer' || mount.zone === 'shoulder' || zoneInfo(mount.zone).region !== 'Arm';
  });
  const points = passing.flatMap((p) => p.points);
  const half = (body.shoulderBreadth.valueMm * DELTOIDS) / 2;
  const chest = torsoSection(body, at.chest);
  const [left, right] = span([-half, half, ...points.map((p) => p.x)]);
  const [back, front] = span([
    chest.forwardMm - chest.b,
    chest.forwardMm + chest.b,
    ...points.map((p) => p.y),
  ]);
  const topMm = span([body.stature.valueMm, ...placed.flatMap((p) => p.points.map((q) => q.z))])[1];
  const [widthMm, deepMm] = [right - left, front - back];
  const backAt = (z: number): number => {
    const slice = torsoSection(body, Math.min(at.shoulder, Math.max(at.crotch, z)));
    return slice.forwardMm - slice.b;
  };
  const behind = placed
    .flatMap((p) => p.points)
    .filter((p) => p.z > at.hip && p.z < at.shoulder)
    .reduce((most, p) => Math.max(most, backAt(p.z) - p.y), 0);
  const touching = (has: (p: Vec3) => boolean): InTheWay[] =>
    placed.filter((p) => p.points.some(has)).map(({ part }) => ({ partId: part.id, name: part.name }));
  const nearSeat = (p: Vec3): boolean => Math.abs(p.z - at.crotch) < SEAT_BAND_MM;
  const aboveSeatMm = topMm - (1 - SITTING) * body.stature.valueMm;
  return {
    widthMm,
    deepMm,
    topMm,
    door: widthMm <= DOOR_MM.wide ? 'straight' : deepMm <= DOOR_MM.wide ? 'sideways' : 'not',
    stoopMm: Math.max(0, topMm - DOOR_MM.high),
    behindMm: behind,
    aboveSeatMm,
    fitsCar: aboveSeatMm <= CAR_MM,
    aboveHeadMm: topMm - body.stature.valueMm,
    satOn: touching((p) => nearSeat(p) && backAt(p.z) - p.y > FELT_MM),
    troddenOn: placed
      .filter(({ part, points }) => !onLeg(part, parts) && points.some((p) => p.z < RISER_MM))
      .map(({ part }) => ({ partId: part.id, name: part.name })),
    offFirst: touching(
      (p) => p.z > at.crotch - SEAT_BAND_MM && p.z < at.hip + SEAT_BAND_MM && insideHips(body, p),
    ),
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
