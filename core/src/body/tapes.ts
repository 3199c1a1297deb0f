import { lastOf, itemAt } from '../units';
import { ellipseAtNormal, type Vec2, type Vec3 } from '../geometry';
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
import { earOf, headForm, noseTip } from './head';
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
  const face = headForm(body);
  const ear = earOf(face, 1);
  const nose = noseTip(face);
  const down = (key: MeasureKey, { x, y }: Vec2, toZ: number): Tape => ({
    key,
    points: [
      { x, y, z: toZ },
      { x, y, z: at.crown },
    ],
  });
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
      key: 'headLength',
      points: [
        { x: head.side + 25, y: headY - head.front, z: head.centreMm },
        { x: head.side + 25, y: headY + head.front, z: head.centreMm },
      ],
    },
    {
      key: 'headBreadth',
      points: [
        { x: -head.side, y: headY, z: at.crown + 18 },
        { x: head.side, y: headY, z: at.crown + 18 },
      ],
    },
    {
      key: 'headHeight',
      points: [
        { x: 0, y: headY + head.front + 30, z: at.chin },
        { x: 0, y: headY + head.front + 30, z: at.crown },
      ],
    },
    down('eyeDepth', { x: 0, y: headY + head.front + 18 }, at.crown - body.eyeDepth.valueMm),
    down('earDepth', { x: head.side + 22, y: headY }, at.crown - body.earDepth.valueMm),
    {
      key: 'noseOut',
      points: [0, face.noseOutMm].map((mm) => ({ x: 0, y: nose.y - face.noseOutMm + mm, z: nose.z - 3 })),
    },
    {
      key: 'earLength',
      points: [-0.5, 0.5].map((s) => ({
        x: head.side + 20,
        y: ear.at.y,
        z: ear.at.z + s * face.earLengthMm,
      })),
    },
    { key: 'neckGirth', points: ring(neckSection(body, (at.neckBase + at.chin) / 2), (p) => p) },
    {
      key: 'shoulderBreadth',
      points: [
        { x: -shoulder, y: -60, z: at.shoulder },
        { x: shoulder, y: -60, z: at.shoulder },
      ],
    },
    {
      key: 'shoulderDrop',
      points: [
        { x: shoulder, y: 0, z: at.shoulder },
        { x: shoulder, y: 0, z: at.neckBase },
        { x: body.neckGirth.valueMm / 6, y: 0, z: at.neckBase },
      ],
    },
    { key: 'acrossChest', points: across(body.acrossChest.valueMm, 1) },
    { key: 'acrossBack', points: across(body.acrossBack.valueMm, -1) },
    torso('chestGirth', at.chest),
    torso('underBustGirth', at.underBust),
    torso('waistGirth', at.waist),
    torso('hipGirth', at.hip),
    { key: 'frontWaistLength', points: run(at.waist, at.neckBase - 30, front) },
    { key: 'backWaistLength', points: run(at.waist, at.neckBase, back) },
    {
      key: 'waistToShoulder',
      points: run(at.waist, at.neckBase, (z) => ({ ...back(z), x: body.neckGirth.valueMm / 6 })),
    },
    limb('upperArmGirth', 'upperArm', limbLengthMm(body, 'upperArm') * 0.5),
    limb('elbowBentGirth', 'upperArm', 0),
    limb('elbowGirth', 'forearm', lastOf(forearm).atMm),
    limb('forearmGirth', 'forearm', itemAt(forearm, 1).atMm),
    limb('wristGirth', 'forearm', 0),
    { key: 'forearmLength', points: [onArm('forearm', 0), onArm('forearm', lastOf(forearm).atMm)] },
    { key: 'forearmGirthAt', points: [onArm('forearm', 0), onArm('forearm', itemAt(forearm, 1).atMm)] },
    {
      key: 'handGirth',
      points: ring(
        {
          ...limbSection(body, 'forearm', 0),
          a: body.handGirth.valueMm / 8.2,
          b: body.handGirth.valueMm / 4.9,
          atMm: -70,
        },
        (p) => onLimb(limbFrame(body, 'forearm', 1), p),
      ),
    },
    {
      key: 'handLength',
      points: [0, -body.handLength.valueMm].map((z) =>
        onLimb(limbFrame(body, 'forearm', 1), { x: body.wristGirth.valueMm / 6, y: 0, z }),
      ),
    },
    {
      key: 'armLength',
      points: [onArm('forearm', 0), onArm('upperArm', 0), onArm('upperArm', limbLengthMm(body, 'upperArm'))],
    },
    limb('thighGirth', 'thigh', limbLengthMm(body, 'thigh') * 0.92),
    limb('kneeGirth', 'thigh', 0),
    limb('calfGirth', 'lowerLeg', body.calfHeight.valueMm - ankleHeightMm(body)),
    limb('ankleGirth', 'lowerLeg', limbLengthMm(body, 'lowerLeg') * 0.12),
    {
      key: 'calfHeight',
      points: [
        { x: hip + 90, y: 0, z: 0 },
        { x: hip + 90, y: 0, z: body.calfHeight.valueMm },
      ],
    },
    {
      key: 'heelGirth',
      points: heel(),
    },
    {
      key: 'footLength',
      points: [
        { x: hip + 60, y: -body.footLength.valueMm * 0.22, z: 8 },
        { x: hip + 60, y: body.footLength.valueMm * 0.78, z: 8 },
      ],
    },
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
  /** From arm crease to arm crease a hand below the collarbones, along the chest or the back. */
  function across(widthMm: number, side: 1 | -1): Vec3[] {
    const slice = torsoSection(body, (at.chest + at.shoulder) / 2);
    return Array.from({ length: 17 }, (_, i) => {
      const x = widthMm * (i / 16 - 0.5);
      const y = slice.b * Math.sqrt(Math.max(0, 1 - (x / slice.a) ** 2)) + PROUD_MM;
      return { x, y: slice.forwardMm + side * y, z: slice.atMm };
    });
  }

  /** Over the bend of the instep and round the heel. */
  function heel(): Vec3[] {
    const r = body.heelGirth.valueMm / (2 * Math.PI);
    const { origin } = limbFrame(body, 'lowerLeg', 1);
    return Array.from({ length: AROUND + 1 }, (_, i) => {
      const a = (i / AROUND) * 2 * Math.PI;
      const along = r * 1.25 * Math.cos(a);
      return { x: origin.x + r * 0.7 * Math.sin(a), y: 20 + along * 0.75, z: origin.z * 0.62 + along * 0.66 };
    });
  }
}
