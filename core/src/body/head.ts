import { distanceToEllipse, type Vec3 } from '../geometry';
import type { Body } from './estimate';
import { headAxes, levels, neckSection } from './sections';

/**
 * The head as an egg with a face: half-sizes, its middle, and where eyes, nose and ears are. x is the wearer's right,
 * y the front, z up.
 */
export interface HeadForm {
  side: number;
  front: number;
  up: number;
  middle: Vec3;
  eyeZ: number;
  chinZ: number;
  noseOutMm: number;
  /** Middle of an ear, and its length. */
  earZ: number;
  earLengthMm: number;
}

export function headForm(body: Body): HeadForm {
  const { side, front, up, centreMm } = headAxes(body);
  const at = levels(body);
  return {
    side,
    front,
    up,
    middle: { x: 0, y: neckSection(body, at.chin).forwardMm + 12, z: centreMm },
    eyeZ: at.crown - body.eyeDepth.valueMm,
    chinZ: at.chin,
    noseOutMm: body.noseOut.valueMm,
    // The opening is a little below the middle of the ear.
    earZ: at.crown - body.earDepth.valueMm + 0.05 * body.earLength.valueMm,
    earLengthMm: body.earLength.valueMm,
  };
}

/** Below the eyes the sides draw in to the jaw, and the face stays fuller than an egg; from memory. */
const jawAt = (up: number): number => (up < -0.1 ? 1 - 0.28 * Math.min(1, (-up - 0.1) / 0.9) : 1);
const roundAt = (up: number): number => Math.sqrt(Math.max(0, 1 - up * up));
const faceAt = (up: number): number => (up < 0 ? Math.sqrt(Math.max(0, 1 - Math.abs(up) ** 4)) : roundAt(up));

const bell = (x: number, width: number): number => Math.exp(-((x / width) ** 2));

/** Half-widths of nose, brow, the root of the nose under it, and chin, mm; from memory. */
const NOSE_MM = 15;
const BROW_MM = { out: 1, across: 50, high: 10 };
const ROOT_MM = { out: -4, across: 16, high: 9 };
const CHIN_MM = { out: 9, across: 26, high: 16 };
/** Tip and foot of the nose, as shares of the way from the eyes to the chin; the canons of drawing. */
const TIP = 0.38;
const FOOT = 0.46;

/** How far the face stands out before the egg at a place, mm: brow, nose and chin. */
export function faceOutMm({ eyeZ, chinZ, noseOutMm }: HeadForm, x: number, z: number): number {
  const down = (eyeZ - z) / (eyeZ - chinZ);
  const ridge = down < 0 || down > FOOT ? 0 : down < TIP ? down / TIP : (FOOT - down) / (FOOT - TIP);
  const browZ = eyeZ + 0.17 * (eyeZ - chinZ);
  const bump = ({ out, across, high }: typeof BROW_MM, atZ: number): number =>
    out * bell(x, across) * bell(z - atZ, high);
  return (
    noseOutMm * ridge * bell(x, NOSE_MM) +
    bump(BROW_MM, browZ) +
    bump(ROOT_MM, eyeZ) +
    bump(CHIN_MM, chinZ + CHIN_MM.high)
  );
}

/** Half-sizes of a level slice: to the sides, and to the back or the front. */
const sliceAt = ({ side, front }: HeadForm, up: number, ahead: boolean): { a: number; b: number } => ({
  a: side * roundAt(up) * jawAt(up),
  b: front * (ahead ? faceAt(up) : roundAt(up)),
});

/** A point of the skin: azimuth (0 right, a quarter turn front) and height from −1 to 1. */
export function skinAt(head: HeadForm, azimuth: number, up: number): Vec3 {
  const { a, b } = sliceAt(head, up, Math.sin(azimuth) > 0);
  const x = a * Math.cos(azimuth);
  const z = head.middle.z + head.up * up;
  const face = Math.sin(azimuth) > 0 ? faceOutMm(head, x, z) * Math.sin(azimuth) : 0;
  return { x, y: head.middle.y + b * Math.sin(azimuth) + face, z };
}

/** The tip of the nose. */
export function noseTip(head: HeadForm): Vec3 {
  const z = head.eyeZ - TIP * (head.eyeZ - head.chinZ);
  return skinAt(head, Math.PI / 2, (z - head.middle.z) / head.up);
}

/** How far an ear stands out with nothing on it, and pressed flat under a helmet, mm; from memory. */
const EAR_OUT_MM = 16;
const EAR_FLAT_MM = 7;

/** An ear as a flattened ball: its middle on the skin, and its half-sizes. */
export function earOf(head: HeadForm, side: 1 | -1): { at: Vec3; half: Vec3 } {
  const up = (head.earZ - head.middle.z) / head.up;
  return {
    at: { x: side * (sliceAt(head, up, false).a - 2), y: head.middle.y - 6, z: head.earZ },
    half: { x: EAR_OUT_MM, y: head.earLengthMm * 0.27, z: head.earLengthMm / 2 },
  };
}

/** From a ball drawn out along its axes; exact on it, close near it. */
function fromBall(half: Vec3, q: Vec3): number {
  const k0 = Math.hypot(q.x / half.x, q.y / half.y, q.z / half.z);
  const k1 = Math.hypot(q.x / half.x ** 2, q.y / half.y ** 2, q.z / half.z ** 2);
  return k1 < 1e-9 ? -Math.min(half.x, half.y, half.z) : (k0 * (k0 - 1)) / k1;
}

/**
 * Distance from the skin of the head at a point, mm; negative inside. Above the middle from the egg, below from the level
 * slice, both less what the face stands out there; an ear counts as it lies pressed flat.
 */
export function fromHeadForm(head: HeadForm): (p: Vec3) => number {
  const ears = ([1, -1] as const).map((side) => {
    const { at, half } = earOf(head, side);
    return { at, half: { ...half, x: EAR_FLAT_MM } };
  });
  const egg = { x: head.side, y: head.front, z: head.up };
  return (p) => {
    const q = { x: p.x - head.middle.x, y: p.y - head.middle.y, z: p.z - head.middle.z };
    const up = q.z / head.up;
    const ahead = q.y > 0;
    const face = ahead ? faceOutMm(head, p.x, p.z) : 0;
    const flat = Math.max(-0.96, up);
    const bare = up >= 0 ? fromBall(egg, q) : distanceToEllipse(sliceAt(head, flat, ahead), q);
    const skin = flat === up ? bare - face : Math.hypot(Math.max(0, bare - face), q.z - flat * head.up);
    return Math.min(
      skin,
      ...ears.map(({ at, half }) => fromBall(half, { x: p.x - at.x, y: p.y - at.y, z: p.z - at.z })),
    );
  };
}
