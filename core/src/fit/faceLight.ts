import { type Body, type HeadForm, headForm, noseTip, skinAt } from '../body';
import { dot3, length3, scale3, sub3, unit3, type Vec3 } from '../geometry';

/** A lamp that shines into the open: where it sits, which way, how strongly along its axis, and where that has halved. */
export interface Spotlight {
  at: Vec3;
  normal: Vec3;
  candela: number;
  halfDeg: number;
}

/** What lamps do to the face they shine on and the eyes beside it. */
export interface FaceLight {
  /** Mean over nose and both cheeks, lux. */
  faceLux: number;
  /** Veil over what the worse eye sees straight ahead, cd/m². */
  veilCdM2: number;
  /** From the nearest lamp to the face, and off its axis there. */
  nearestMm: number;
  offAxisDeg: number;
}

const rad = (deg: number): number => (deg * Math.PI) / 180;
const deg = (angle: number): number => (angle * 180) / Math.PI;
const between = (a: Vec3, b: Vec3): number => Math.acos(Math.min(1, Math.max(-1, dot3(a, b))));

/** Intensity away from the axis as a power of the cosine that halves at the half angle (IES lobe). */
function candelaTowards({ candela, halfDeg, normal }: Spotlight, way: Vec3): number {
  const cos = dot3(unit3(normal), way);
  if (cos <= 0) return 0;
  return candela * cos ** (Math.log(0.5) / Math.log(Math.cos(rad(halfDeg))));
}

/** Lux on a facing of a spot: intensity over the square of the distance in metres, times the cosine it falls in at. */
export function luxOn(lamp: Spotlight, spot: Vec3, facing: Vec3): number {
  const way = sub3(spot, lamp.at);
  const metres = Math.max(1e-3, length3(way) / 1000);
  const unit = unit3(way);
  return (candelaTowards(lamp, unit) * Math.max(0, -dot3(unit, facing))) / metres ** 2;
}

/** Nearer to the line of sight than this the lamp itself is looked at, degrees. */
const LEAST_DEG = 1;
const AHEAD: Vec3 = { x: 0, y: 1, z: 0 };

/** Veil of one lamp over what an eye sees straight ahead: 10 × lux at the eye over the square of the angle in degrees (Stiles and Holladay; CIE 31). */
export function veilAt(eye: Vec3, lamp: Spotlight): number {
  const lux = luxOn(lamp, eye, AHEAD);
  const angle = Math.max(LEAST_DEG, deg(between(unit3(sub3(lamp.at, eye)), AHEAD)));
  return (10 * lux) / angle ** 2;
}

/** Half the distance between pupils, mm; middling adult, from memory. */
const HALF_PUPILS_MM = 31;
const CHEEK_RAD = 0.45;

const upOf = (head: HeadForm, z: number): number => (z - head.middle.z) / head.up;

/** Lamps on the wearer's face; nothing when none of them reaches it. */
export function faceLight(body: Body, lamps: readonly Spotlight[]): FaceLight | undefined {
  const head = headForm(body);
  const nose = noseTip(head);
  const spots = [
    nose,
    ...[-1, 1].map((side) => skinAt(head, Math.PI / 2 + side * CHEEK_RAD, upOf(head, nose.z))),
  ];
  const facing = (p: Vec3): Vec3 => unit3({ x: p.x, y: p.y - head.middle.y, z: 0 });
  const faceLux =
    spots.reduce((sum, p) => sum + lamps.reduce((all, lamp) => all + luxOn(lamp, p, facing(p)), 0), 0) /
    spots.length;
  if (faceLux < LEAST_LUX) return undefined;
  const eyes = [-1, 1].map((side): Vec3 => {
    const level = skinAt(head, Math.PI / 2, upOf(head, head.eyeZ));
    return { x: side * HALF_PUPILS_MM, y: level.y, z: head.eyeZ };
  });
  const veilCdM2 = Math.max(...eyes.map((eye) => lamps.reduce((sum, lamp) => sum + veilAt(eye, lamp), 0)));
  const near = lamps.reduce((a, b) => (length3(sub3(b.at, nose)) < length3(sub3(a.at, nose)) ? b : a));
  const way = sub3(nose, near.at);
  return {
    faceLux,
    veilCdM2,
    nearestMm: length3(way),
    offAxisDeg: deg(between(unit3(near.normal), scale3(way, 1 / length3(way)))),
  };
}

/** Less than this on a face is not seen, lux. */
const LEAST_LUX = 0.2;
