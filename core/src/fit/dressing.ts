import type { PassingRing, Zone } from '../forms/contract';

/** A part as far as putting it on goes. */
export interface WornPart {
  id: string;
  name: string;
  zone: Zone;
  rings: readonly PassingRing[];
  /** Closed round the body, so that it must be slipped on. */
  closed: boolean;
}

/** One step of putting on, in order, with what must pass. */
export interface DressingStep {
  partId: string;
  name: string;
  how: string;
  openingMm?: number;
  needMm?: number;
  passes: boolean;
  /** A helper is needed, or hands must be free for it. */
  helper: boolean;
}

/** From the feet up and from the trunk outwards; what closes over another comes after it; the head comes last (common practice, no source). */
const order: Zone[] = [
  'lowerLeg',
  'knee',
  'thigh',
  'torso',
  'hips',
  'neck',
  'upperArm',
  'shoulder',
  'elbow',
  'forearm',
  'back',
  'head',
];

const over: Partial<Record<Zone, string>> = {
  lowerLeg: 'over the foot',
  thigh: 'over foot and knee',
  neck: 'over the head',
  upperArm: 'over hand and elbow, before anything is on the forearm',
  forearm: 'over the hand',
  head: 'over the head',
};

/** Straps that cannot be reached by the one who wears them. */
const behind: Zone[] = ['torso', 'back', 'shoulder'];

/** The order of putting on and what must pass where, foam and under-layer counted by each form. */
export function dressing(parts: readonly WornPart[]): DressingStep[] {
  const rank = (p: WornPart): number => order.indexOf(p.zone) + (p.zone === 'neck' && p.closed ? -1.5 : 0);
  return [...parts]
    .sort((a, b) => rank(a) - rank(b))
    .map(({ id, name, zone, rings, closed }): DressingStep => {
      const ring = rings.reduce<PassingRing | undefined>(
        (worst, r) => (!worst || r.openingMm - r.needMm < worst.openingMm - worst.needMm ? r : worst),
        undefined,
      );
      return {
        partId: id,
        name,
        how:
          closed && over[zone]
            ? `slipped on ${over[zone]}`
            : ring
              ? 'opened, laid round, strapped'
              : 'laid on, strapped',
        ...(ring && { openingMm: ring.openingMm, needMm: ring.needMm }),
        passes: !ring || ring.openingMm >= ring.needMm,
        helper: behind.includes(zone),
      };
    });
}
