import { getFrom } from '../units';
import {
  fromHead,
  fromHungLimb,
  fromLimb,
  fromNearest,
  fromNeck,
  fromTorso,
  type Clearance,
} from './clearance';
import type { Body } from './estimate';
import { limbFrame, onLimb, type Joint } from './figure';
import type { MeasureKey } from './measures';
import { limbSection, type Limb } from './sections';
import type { Vec3 } from '../geometry';

/** Places on the wearer that parts hang from. */
export type Zone =
  | 'head'
  | 'ear'
  | 'neck'
  | 'torso'
  | 'back'
  | 'hips'
  | 'shoulder'
  | 'upperArm'
  | 'elbow'
  | 'forearm'
  | 'hand'
  | 'thigh'
  | 'knee'
  | 'lowerLeg';

export type Region = 'Head and neck' | 'Trunk' | 'Arm' | 'Leg' | 'In the hand';
export type JointName = 'elbow' | 'knee' | 'shoulder' | 'waist' | 'head';

/** A spot of the body that hard things must keep off. */
export interface TenderSpot {
  at: Vec3;
  keepOffMm: number;
  words: string;
}

/** Everything that is particular to one place on the wearer. */
export interface ZoneInfo {
  zone: Zone;
  /** As in “at the upper arm”. */
  label: string;
  region: Region;
  /** Sides it may be on; the first is where a new part begins. */
  sides: readonly ('left' | 'right' | 'pair' | 'middle')[];
  /** Carried here rather than worn. */
  held?: true;
  /** Limb or joint in whose space forms are drawn; the whole figure's when there is none. */
  frame?: Limb | Joint;
  /** Limb shown alone under the form. */
  limb?: Limb;
  /** Distance from the bare parts of the body that a form here can touch, in the space it is drawn in. */
  clearance: (body: Body) => Clearance;
  /** Order of putting on, from the feet up and the trunk outwards; what a closed form is slipped over. */
  dressing: { rank: number; over?: string; behind?: true };
  /** Girths that decide whether one pattern serves both sides. */
  decisive: MeasureKey[];
  /** Which movements it takes part in, and on which side. */
  joints: Partial<Record<JointName, 'moving' | 'fixed'>>;
  /** Thinner than this a single layer gives when gripped, mm; thicker is bulky; heavier tires. Common practice and from memory. */
  flexesBelowMm: number;
  bulkyAboveMm?: number;
  heavyG?: number;
  /** Its weight comes on the shoulders. */
  onShoulders?: true;
  /** In the space forms are drawn in. */
  tender?: (body: Body) => TenderSpot[];
}

/** A shoulder is about so round over its ridge, mm, and straps lie so far from the spine, as a share of its breadth; from memory. */
export const SHOULDER_ROUND_MM = 45;
export const STRAP_AT = 0.3;

const jointClearance =
  (joint: Joint, limbs: readonly Limb[]) =>
  (body: Body): Clearance => {
    const nearest = fromNearest(...limbs.map((limb) => fromHungLimb(body, limb, 1)));
    const frame = limbFrame(body, joint, 1);
    return (p) => nearest(onLimb(frame, p));
  };

const limbClearance =
  (limb: Limb) =>
  (body: Body): Clearance =>
    fromLimb(body, limb);

const headClearance = (body: Body): Clearance => fromNearest(fromHead(body), fromNeck(body));

/** The bony knobs at either side of the wrist; where they stand and how far to keep off is from memory. */
function wristBones(body: Body): TenderSpot[] {
  const half = limbSection(body, 'forearm', 12).b;
  return [1, -1].map((side) => ({
    at: { x: 0, y: side * half, z: 12 },
    keepOffMm: 32,
    words: 'the knob of the wrist',
  }));
}

/** The places, in the order they are shown. */
export const zones: readonly ZoneInfo[] = [
  {
    zone: 'head',
    label: 'head',
    region: 'Head and neck',
    sides: ['middle'],
    clearance: headClearance,
    dressing: { rank: 11, over: 'over the head' },
    decisive: [],
    joints: { shoulder: 'fixed', head: 'moving' },
    flexesBelowMm: 6,
  },
  {
    zone: 'ear',
    label: 'ear',
    region: 'Head and neck',
    sides: ['pair', 'left', 'right'],
    clearance: headClearance,
    dressing: { rank: 12 },
    decisive: [],
    joints: { shoulder: 'fixed', head: 'moving' },
    flexesBelowMm: 6,
  },
  {
    zone: 'neck',
    label: 'neck',
    onShoulders: true,
    region: 'Head and neck',
    sides: ['middle'],
    // A collar rests on the shoulders by its lower edge; what counts is the room round the neck.
    clearance: fromNeck,
    dressing: { rank: 5, over: 'over the head' },
    decisive: [],
    joints: { shoulder: 'fixed', head: 'fixed' },
    flexesBelowMm: 6,
  },
  {
    zone: 'torso',
    label: 'trunk',
    onShoulders: true,
    region: 'Trunk',
    sides: ['middle'],
    clearance: fromTorso,
    dressing: { rank: 3, behind: true },
    decisive: [],
    joints: { shoulder: 'fixed', waist: 'moving', head: 'fixed' },
    flexesBelowMm: 8,
  },
  {
    zone: 'back',
    label: 'back',
    onShoulders: true,
    region: 'Trunk',
    sides: ['middle'],
    clearance: fromTorso,
    dressing: { rank: 10, behind: true },
    decisive: [],
    joints: {},
    flexesBelowMm: 8,
  },
  {
    zone: 'hips',
    label: 'hips',
    region: 'Trunk',
    sides: ['middle'],
    clearance: (body) =>
      fromNearest(fromTorso(body), fromHungLimb(body, 'thigh', 1), fromHungLimb(body, 'thigh', -1)),
    dressing: { rank: 4 },
    decisive: [],
    joints: { waist: 'fixed' },
    flexesBelowMm: 6,
  },
  {
    zone: 'shoulder',
    label: 'shoulder',
    onShoulders: true,
    region: 'Arm',
    sides: ['pair', 'left', 'right'],
    frame: 'shoulder',
    clearance: jointClearance('shoulder', ['upperArm']),
    dressing: { rank: 7, behind: true },
    decisive: ['upperArmGirth'],
    joints: { shoulder: 'moving', head: 'fixed' },
    flexesBelowMm: 6,
  },
  {
    zone: 'upperArm',
    label: 'upper arm',
    region: 'Arm',
    sides: ['pair', 'left', 'right'],
    frame: 'upperArm',
    limb: 'upperArm',
    clearance: limbClearance('upperArm'),
    dressing: { rank: 6, over: 'over hand and elbow, before anything is on the forearm' },
    decisive: ['upperArmGirth'],
    joints: { elbow: 'fixed', shoulder: 'moving' },
    flexesBelowMm: 6,
  },
  {
    zone: 'elbow',
    label: 'elbow',
    region: 'Arm',
    sides: ['pair', 'left', 'right'],
    frame: 'elbow',
    clearance: jointClearance('elbow', ['upperArm', 'forearm']),
    dressing: { rank: 8 },
    decisive: ['elbowBentGirth'],
    joints: {},
    flexesBelowMm: 6,
  },
  {
    zone: 'forearm',
    label: 'forearm',
    region: 'Arm',
    sides: ['pair', 'left', 'right'],
    frame: 'forearm',
    limb: 'forearm',
    clearance: limbClearance('forearm'),
    dressing: { rank: 9, over: 'over the hand' },
    decisive: ['wristGirth', 'forearmGirth', 'elbowGirth'],
    joints: { elbow: 'moving' },
    flexesBelowMm: 6,
    bulkyAboveMm: 8,
    heavyG: 300,
    tender: wristBones,
  },
  {
    zone: 'hand',
    label: 'hand',
    region: 'In the hand',
    sides: ['right', 'left'],
    held: true,
    clearance: () => () => Infinity,
    dressing: { rank: 20 },
    decisive: [],
    joints: {},
    flexesBelowMm: 0,
  },
  {
    zone: 'thigh',
    label: 'thigh',
    region: 'Leg',
    sides: ['pair', 'left', 'right'],
    frame: 'thigh',
    limb: 'thigh',
    clearance: limbClearance('thigh'),
    dressing: { rank: 2, over: 'over foot and knee' },
    decisive: ['thighGirth', 'kneeGirth'],
    joints: { knee: 'fixed' },
    flexesBelowMm: 6,
  },
  {
    zone: 'knee',
    label: 'knee',
    region: 'Leg',
    sides: ['pair', 'left', 'right'],
    frame: 'knee',
    clearance: jointClearance('knee', ['thigh', 'lowerLeg']),
    dressing: { rank: 1 },
    decisive: ['kneeGirth'],
    joints: {},
    flexesBelowMm: 6,
  },
  {
    zone: 'lowerLeg',
    label: 'lower leg',
    region: 'Leg',
    sides: ['pair', 'left', 'right'],
    frame: 'lowerLeg',
    limb: 'lowerLeg',
    clearance: limbClearance('lowerLeg'),
    dressing: { rank: 0, over: 'over the foot' },
    decisive: ['calfGirth', 'ankleGirth'],
    joints: { knee: 'moving' },
    flexesBelowMm: 6,
  },
];

const byZone = new Map(zones.map((z) => [z.zone, z]));
export const zoneInfo = (zone: Zone): ZoneInfo => getFrom(byZone, zone);

/** Whether something there is made for both sides alike. */
export const canPair = (zone: Zone): boolean => zoneInfo(zone).sides.includes('pair');

/** Zones that take part in a movement, on one side of it. */
export const zonesIn = (joint: JointName, role: 'moving' | 'fixed'): Zone[] =>
  zones.filter((z) => z.joints[joint] === role).map((z) => z.zone);

/** How a form of a zone hangs on the figure, on the right (+1) or mirrored on the left (−1). */
export function hangOn(body: Body, zone: Zone, side: 1 | -1): (p: Vec3) => Vec3 {
  const { frame } = zoneInfo(zone);
  if (!frame) return (p) => ({ x: side * p.x, y: p.y, z: p.z });
  const at = limbFrame(body, frame, side);
  return (p) => onLimb(at, p);
}

/** A fist closes round something this far below the wrist, as a share of the hand's length; from memory. */
const FIST = 0.45;

/** The middle of the fist of a hanging arm, on the figure. */
export function fistAt(body: Body, side: 1 | -1): Vec3 {
  return onLimb(limbFrame(body, 'forearm', side), { x: 0, y: 0, z: -FIST * body.handLength.valueMm });
}
