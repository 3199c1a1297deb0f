import { ellipseAtNormal } from '../geometry/ellipse';
import type { Vec3 } from '../geometry/vec';
import type { Body } from './estimate';
import {
  ankleHeightMm,
  headAxes,
  levels,
  limbLengthMm,
  limbSection,
  limbStations,
  neckSection,
  torsoSection,
  type BodySection,
  type Limb,
} from './sections';
import { limbFrame, onLimb } from './figure';
import type { MeasureKey } from './measures';

/** Where a tape goes on the figure: round it, or along it. */
export interface Tape {
  key: MeasureKey;
  points: Vec3[];
}

const AROUND = 48;
/** The tape lies on the skin. */
const PROUD_MM = 2;

const ring = (section: BodySection, place: (p: Vec3) => Vec3): Vec3[] =>
  Array.from({ length: AROUND + 1 }, (_, i) => {
    const p = ellipseAtNormal(section, (i / AROUND) * 2 * Math.PI, PROUD_MM);
    return place({ x: p.x, y: p.y + section.forwardMm, z: section.atMm });
  });

/** A tape for every measure that can be drawn on the standing figure. */
export function tapes(body: Body): Tape[] {
  const at = levels(body);
  const torso = (key: MeasureKey, z: number): Tape => ({
    key,
    points: ring(torsoSection(body, z), (p) => p),
  });
  const limb = (key: MeasureKey, which: Limb, along: number): Tape => {
    const frame = limbFrame(body, which, 1);
    return { key, points: ring(limbSection(body, which, along), (p) => onLimb(frame, p)) };
  };
  const onArm = (which: Limb, along: number): Vec3 =>
    onLimb(limbFrame(body, which, 1), { x: limbSection(body, which, along).a + 4, y: 0, z: along });
  const head = headAxes(body);
  const headY = neckSection(body, at.chin).forwardMm + 12;
  const brow = Array.from({ length: AROUND + 1 }, (_, i) => {
    const a = (i / AROUND) * 2 * Math.PI;
    return {
      x: (head.side + PROUD_MM) * Math.cos(a),
      y: headY + (head.front + PROUD_MM) * Math.sin(a),
      z: head.centreMm,
    };
  });
  const shoulder = body.shoulderBreadth.valueMm / 2;
  const front = (z: number): Vec3 => {
    const s = torsoSection(body, z);
    return { x: 0, y: s.forwardMm + s.b + PROUD_MM, z };
  };
  const back = (z: number): Vec3 => {
    const s = torsoSection(body, z);
    return { x: 0, y: s.forwardMm - s.b - PROUD_MM, z };
  };
  const run = (from: number, to: number, point: (z: number) => Vec3): Vec3[] =>
    Array.from({ length: 16 }, (_, i) => point(from + ((to - from) * i) / 15));
  const forearm = limbStations(body, 'forearm');
  const hip = torsoSection(body, at.hip).a * 0.5;
  return [
    {
      key: 'stature',
      points: [
        { x: -420, y: 0, z: 0 },
        { x: -420, y: 0, z: at.crown },
      ],
    },
    { key: 'headGirth', points: brow },
    {
      key: 'headHeight',
      points: [
        { x: 0, y: headY + head.front + 30, z: at.chin },
        { x: 0, y: headY + head.front + 30, z: at.crown },
      ],
    },
    { key: 'neckGirth', points: ring(neckSection(body, (at.neckBase + at.chin) / 2), (p) => p) },
    {
      key: 'shoulderBreadth',
      points: [
        { x: -shoulder, y: -60, z: at.shoulder },
        { x: shoulder, y: -60, z: at.shoulder },
      ],
    },
    torso('chestGirth', at.chest),
    torso('underBustGirth', at.underBust),
    torso('waistGirth', at.waist),
    torso('hipGirth', at.hip),
    { key: 'frontWaistLength', points: run(at.waist, at.neckBase - 30, front) },
    { key: 'backWaistLength', points: run(at.waist, at.neckBase, back) },
    limb('upperArmGirth', 'upperArm', limbLengthMm(body, 'upperArm') * 0.5),
    limb('elbowBentGirth', 'upperArm', 0),
    limb('elbowGirth', 'forearm', forearm.at(-1)!.atMm),
    limb('forearmGirth', 'forearm', forearm[1]!.atMm),
    limb('wristGirth', 'forearm', 0),
    { key: 'forearmLength', points: [onArm('forearm', 0), onArm('forearm', forearm.at(-1)!.atMm)] },
    {
      key: 'armLength',
      points: [onArm('forearm', 0), onArm('upperArm', 0), onArm('upperArm', limbLengthMm(body, 'upperArm'))],
    },
    limb('thighGirth', 'thigh', limbLengthMm(body, 'thigh') * 0.92),
    limb('kneeGirth', 'thigh', 0),
    limb('calfGirth', 'lowerLeg', body.calfHeight.valueMm - ankleHeightMm(body)),
    limb('ankleGirth', 'lowerLeg', limbLengthMm(body, 'lowerLeg') * 0.12),
    {
      key: 'insideLeg',
      points: [
        { x: 0, y: 0, z: 0 },
        { x: 0, y: 0, z: at.crotch },
      ],
    },
    {
      key: 'kneeHeight',
      points: [
        { x: hip + 110, y: 0, z: 0 },
        { x: hip + 110, y: 0, z: body.kneeHeight.valueMm },
      ],
    },
  ];
}
