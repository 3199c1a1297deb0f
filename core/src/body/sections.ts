import { firstOf, lastOf, itemAt } from '../units';
import { type Ellipse, ellipseOfGirth, ellipsePerimeter } from '../geometry';
import type { Body } from './estimate';

/** A horizontal slice of the body: semi-axes `a` to the sides (x) and `b` to the front (y), and where its middle stands. */
export interface BodySection extends Ellipse {
  /** Height above the floor, or distance along the limb. */
  atMm: number;
  /** Middle of the slice in front of the spine line. */
  forwardMm: number;
}

export interface Station {
  atMm: number;
  girthMm: number;
  /** Breadth over depth; from memory. */
  ratio: number;
  /** Where the middle lies, as a share of the half-depth in front of the back line; from memory. */
  forward: number;
}

/** Straight interpolation between stations, level beyond the ends. */
function between(stations: readonly Station[], atMm: number): Station {
  const first = firstOf(stations);
  const last = lastOf(stations);
  if (atMm <= first.atMm) return { ...first, atMm };
  if (atMm >= last.atMm) return { ...last, atMm };
  const i = stations.findIndex((s) => s.atMm > atMm);
  const [a, b] = [itemAt(stations, i - 1), itemAt(stations, i)];
  const t = (atMm - a.atMm) / (b.atMm - a.atMm);
  const mix = (p: number, q: number): number => p + (q - p) * t;
  return {
    atMm,
    girthMm: mix(a.girthMm, b.girthMm),
    ratio: mix(a.ratio, b.ratio),
    forward: mix(a.forward, b.forward),
  };
}

const v = (body: Body, key: keyof Body): number => body[key].valueMm;

/** Remembers what is worked out from a body, which never changes once made. */
function ofBody<K, T>(make: (body: Body, key: K) => T): (body: Body, key?: K) => T {
  const known = new WeakMap<Body, Map<K | undefined, T>>();
  return (body, key) => {
    let own = known.get(body);
    if (!own) known.set(body, (own = new Map<K | undefined, T>()));
    let value = own.get(key);
    if (value === undefined) own.set(key, (value = make(body, key as K)));
    return value;
  };
}

/** Heights of the named levels above the floor. Shares of stature where not measured are from memory. */
export interface Levels {
  crotch: number;
  hip: number;
  waist: number;
  underBust: number;
  chest: number;
  shoulder: number;
  neckBase: number;
  chin: number;
  crown: number;
}

/** A neck stands at least this share of stature clear between shoulder and chin; from memory. */
const NECK_SHARE = 0.0275;

const levelsOf = ofBody((body: Body): Levels => {
  const stature = v(body, 'stature');
  const crotch = v(body, 'insideLeg');
  const chin = stature - v(body, 'headHeight');
  const throat = chin - NECK_SHARE * stature;
  // Where the waist lies is a guess; how far it is to the shoulder may have been measured, so the waist gives way.
  const waist = Math.max(
    Math.min(0.605 * stature, throat - v(body, 'waistToShoulder')),
    crotch + 0.06 * stature,
  );
  const neckBase = Math.min(waist + v(body, 'waistToShoulder'), throat);
  const span = neckBase - waist;
  return {
    crotch,
    hip: crotch + (waist - crotch) * 0.32,
    waist,
    underBust: waist + span * 0.32,
    chest: waist + span * 0.5,
    shoulder: neckBase - v(body, 'shoulderDrop'),
    neckBase,
    chin,
    crown: stature,
  };
});

export const levels = (body: Body): Levels => levelsOf(body);

/** Torso stations from crotch to the base of the neck; the back is a nearly straight line, so bust and belly come forward. */
const torsoStations = ofBody((body: Body): Station[] => {
  const at = levels(body);
  const shoulderGirth = 2 * v(body, 'shoulderBreadth') * 1.22;
  return [
    { atMm: at.crotch, girthMm: v(body, 'hipGirth') * 0.92, ratio: 1.45, forward: 1 },
    { atMm: at.hip, girthMm: v(body, 'hipGirth'), ratio: 1.4, forward: 1 },
    { atMm: at.waist, girthMm: v(body, 'waistGirth'), ratio: 1.35, forward: 1 },
    { atMm: at.underBust, girthMm: v(body, 'underBustGirth'), ratio: 1.38, forward: 1 },
    { atMm: at.chest, girthMm: v(body, 'chestGirth'), ratio: 1.35, forward: 1 },
    {
      atMm: at.shoulder,
      girthMm: Math.min(v(body, 'chestGirth') * 0.97, shoulderGirth),
      ratio: 1.9,
      forward: 0.95,
    },
    { atMm: at.neckBase, girthMm: v(body, 'neckGirth') * 1.12, ratio: 1.1, forward: 1.25 },
  ];
});

/** Half the depth of the hips, where the back line stands. */
const hipDepth = ofBody((body: Body) => ellipseOfGirth(v(body, 'hipGirth'), 1.4).b);

/** Slice of the trunk at a height above the floor, of exactly the interpolated girth. */
export function torsoSection(body: Body, heightMm: number): BodySection {
  const { girthMm, ratio, forward } = between(torsoStations(body), heightMm);
  const { a, b } = ellipseOfGirth(girthMm, ratio);
  return { a, b, atMm: heightMm, forwardMm: b * forward - hipDepth(body) };
}

/** Slice of the neck, which leans a little forward. */
export function neckSection(body: Body, heightMm: number): BodySection {
  const at = levels(body);
  const { a, b } = ellipseOfGirth(v(body, 'neckGirth'), 1.08);
  const base = torsoSection(body, at.neckBase).forwardMm;
  const t = Math.max(0, heightMm - at.neckBase);
  return { a, b, atMm: heightMm, forwardMm: base + t * 0.2 };
}

export type Limb = 'forearm' | 'upperArm' | 'lowerLeg' | 'thigh';

/** Where a limb was measured, from its narrow end: wrist, elbow, ankle or knee. */
export const limbStations = ofBody((body: Body, limb: Limb): Station[] => {
  const station = (atMm: number, girthMm: number, ratio: number): Station => ({
    atMm,
    girthMm,
    ratio,
    forward: 1,
  });
  switch (limb) {
    case 'forearm': {
      const length = v(body, 'forearmLength');
      const widest = Math.min(Math.max(v(body, 'forearmGirthAt'), length * 0.2), length * 0.95);
      return [
        station(0, v(body, 'wristGirth'), 1.38),
        station(widest, v(body, 'forearmGirth'), 1.12),
        station(length, v(body, 'elbowGirth'), 1.12),
      ];
    }
    case 'upperArm': {
      const length = limbLengthMm(body, limb);
      return [
        station(0, v(body, 'elbowBentGirth') * 0.95, 1.05),
        station(length * 0.5, v(body, 'upperArmGirth'), 0.95),
        station(length, v(body, 'upperArmGirth') * 1.12, 0.85),
      ];
    }
    case 'lowerLeg': {
      const length = limbLengthMm(body, limb);
      const ankle = length * 0.12;
      const calf = Math.min(
        Math.max(v(body, 'calfHeight') - ankleHeightMm(body), length * 0.35),
        length * 0.9,
      );
      return [
        station(0, v(body, 'ankleGirth') * 1.04, 0.8),
        station(ankle, v(body, 'ankleGirth'), 0.82),
        station(calf, v(body, 'calfGirth'), 0.95),
        station(length, v(body, 'kneeGirth'), 0.97),
      ];
    }
    case 'thigh': {
      const length = limbLengthMm(body, limb);
      return [station(0, v(body, 'kneeGirth'), 0.97), station(length * 0.92, v(body, 'thighGirth'), 0.96)];
    }
  }
});

/** The ankle bones stand at about 4.5 % of stature; from memory. */
export const ankleHeightMm = (body: Body): number => v(body, 'stature') * 0.045;

export function limbLengthMm(body: Body, limb: Limb): number {
  if (limb === 'forearm') return v(body, 'forearmLength');
  if (limb === 'upperArm') return Math.max(60, v(body, 'armLength') - v(body, 'forearmLength'));
  return limb === 'lowerLeg'
    ? v(body, 'kneeHeight') - ankleHeightMm(body)
    : Math.max(80, v(body, 'insideLeg') - v(body, 'kneeHeight'));
}

/** Slice of a limb at a distance from its narrow end; x back or outside, y across. */
export function limbSection(body: Body, limb: Limb, atMm: number): BodySection {
  const { girthMm, ratio } = between(limbStations(body, limb), atMm);
  const { a, b } = ellipseOfGirth(girthMm, ratio);
  return { a: b, b: a, atMm, forwardMm: 0 };
}

export const limbGirthMm = (body: Body, limb: Limb, atMm: number): number =>
  between(limbStations(body, limb), atMm).girthMm;

/** Semi-axes of the head, scaled so that the girth over the brow is the measured one. */
export function headAxes(body: Body): { side: number; front: number; up: number; centreMm: number } {
  const raw = { a: v(body, 'headBreadth') / 2, b: v(body, 'headLength') / 2 };
  const scale = v(body, 'headGirth') / ellipsePerimeter(raw);
  const up = v(body, 'headHeight') / 2;
  return { side: raw.a * scale, front: raw.b * scale, up, centreMm: v(body, 'stature') - up };
}
