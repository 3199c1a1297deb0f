import {
  type Body,
  hangOn,
  headAxes,
  type JointName,
  levels,
  type Limb,
  limbFrame,
  limbLengthMm,
  limbSection,
  neckSection,
  onLimb,
  torsoSection,
  type Zone,
  zonesIn,
} from '../../body';
import { cross3, type Mesh, scale3, type Vec3 } from '../../geometry';
import { crossing, inPlane, runs, type MotionPlane, type Segment } from './profile';
import type { Body2 } from './sweep';

/** What moving needs to know of a part. */
export interface MovingPart {
  id: string;
  name: string;
  zone: Zone;
  mesh: Mesh;
}

/** One movement: its plane, what swings and what stays, how far a bare body goes and how far a maker wants. */
export interface JointMotion {
  name: Exclude<JointName, 'head'>;
  label: string;
  plane: MotionPlane;
  turn: 1 | -1;
  /** Bare limb that swings and bare body that stays, in the plane. */
  movingBare?: { name: string; segments: Segment[] };
  fixedBare?: { name: string; segments: Segment[] };
  mostDeg: number;
  wantedDeg: number;
  for: string;
}

/** Flesh gives way by a third of its depth before a shell stops; from memory. */
const PRESSED = 2 / 3;

const planeOf = (pivot: Vec3, along: Vec3, towards: Vec3): MotionPlane => ({
  pivot,
  along,
  towards,
  normal: cross3(along, towards),
});

/** Front or back line of a limb where the plane cuts it, pressed in by a third. */
function limbLine(body: Body, limb: Limb, plane: MotionPlane, sign: 1 | -1, axis: 'x' | 'y'): Segment[] {
  const frame = limbFrame(body, limb, 1);
  const length = limbLengthMm(body, limb);
  const points = Array.from({ length: 25 }, (_, i) => {
    // The last tenth at either joint folds with it.
    const at = length * (0.1 + (0.8 * i) / 24);
    const section = limbSection(body, limb, at);
    const half = (axis === 'x' ? section.a : section.b) * PRESSED * sign;
    return inPlane(plane, onLimb(frame, axis === 'x' ? { x: half, y: 0, z: at } : { x: 0, y: half, z: at }));
  });
  return runs(points);
}

/** The elbow, knee, shoulder and waist of the right side, from the sections. Wanted angles are from memory. */
export function jointMotions(body: Body): JointMotion[] {
  const at = levels(body);
  const front = { x: 0, y: 1, z: 0 };
  const upper = limbFrame(body, 'upperArm', 1);
  const elbow = planeOf(upper.origin, upper.along, front);
  const lower = limbFrame(body, 'lowerLeg', 1);
  const up = { x: 0, y: 0, z: 1 };
  const knee = planeOf({ ...lower.origin, z: body.kneeHeight.valueMm }, up, scale3(front, -1));
  const shoulderFrame = limbFrame(body, 'shoulder', 1);
  const shoulder = planeOf(shoulderFrame.origin, up, { x: 1, y: 0, z: 0 });
  const waistSlice = torsoSection(body, at.waist);
  const waist = planeOf({ x: 0, y: waistSlice.forwardMm - 0.45 * waistSlice.b, z: at.waist }, up, front);
  const head = headAxes(body);
  const headSide = Array.from({ length: 25 }, (_, i) => {
    const z = -0.95 + (1.9 * i) / 24;
    return inPlane(shoulder, {
      x: head.side * Math.sqrt(1 - z * z),
      y: shoulder.pivot.y,
      z: head.centreMm + head.up * z,
    });
  });
  const neckSide = [at.neckBase, at.chin].map((z) =>
    inPlane(shoulder, { x: neckSection(body, z).a, y: shoulder.pivot.y, z }),
  );
  const belly = Array.from({ length: 21 }, (_, i) => {
    const z = at.crotch + ((at.waist - 40 - at.crotch) * i) / 20;
    const s = torsoSection(body, z);
    return inPlane(waist, { x: 0, y: s.forwardMm + s.b * 0.85, z });
  });
  return [
    {
      name: 'elbow',
      label: 'elbow bends',
      plane: elbow,
      turn: -1,
      movingBare: { name: 'the forearm', segments: limbLine(body, 'forearm', elbow, 1, 'y') },
      fixedBare: { name: 'the upper arm', segments: limbLine(body, 'upperArm', elbow, 1, 'y') },
      mostDeg: 145,
      wantedDeg: 110,
      for: 'reaching the mouth wants about 125°, fastening a strap 110°',
    },
    {
      name: 'knee',
      label: 'knee bends',
      plane: knee,
      turn: -1,
      movingBare: { name: 'the calf', segments: limbLine(body, 'lowerLeg', knee, -1, 'x') },
      fixedBare: { name: 'the thigh', segments: limbLine(body, 'thigh', knee, -1, 'x') },
      mostDeg: 140,
      wantedDeg: 90,
      for: 'sitting and stairs want 90°',
    },
    {
      name: 'shoulder',
      label: 'arm raises sideways',
      plane: shoulder,
      turn: -1,
      fixedBare: { name: 'head and neck', segments: [...runs(headSide), ...runs(neckSide)] },
      mostDeg: 160,
      wantedDeg: 80,
      for: 'putting a helmet on oneself wants 80°',
    },
    {
      name: 'waist',
      label: 'bends forward',
      plane: waist,
      turn: 1,
      fixedBare: { name: 'belly and hips', segments: runs(belly) },
      mostDeg: 80,
      wantedDeg: 15,
      for: 'bending at the waist wants about 15°, the hips do the rest',
    },
  ];
}

/** Parts and bare bodies of one side of a movement. */
export function bodiesOf(
  body: Body,
  { name, plane }: Pick<JointMotion, 'name' | 'plane'>,
  role: 'moving' | 'fixed',
  parts: readonly MovingPart[],
  bare: JointMotion['movingBare'],
): Body2[] {
  const zones = zonesIn(name, role);
  return [
    ...parts
      .filter((p) => zones.includes(p.zone))
      .map((p) => ({
        name: p.name,
        partId: p.id,
        bare: false,
        segments: crossing(p.mesh, plane, hangOn(body, p.zone, 1)),
      })),
    ...(bare ? [{ ...bare, bare: true }] : []),
  ];
}
