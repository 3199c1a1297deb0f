import type { Pack } from '../materials/packs';

/** Skin of foam left outside a pocket, from memory. */
const POCKET_SKIN_MM = 2;

/** Depth of a pocket cut into the back of foam of this thickness. */
export const pocketDepthMm = (thicknessMm: number): number => Math.max(0, thicknessMm - POCKET_SKIN_MM);

/** Traced outline to cut for a snug fit in foam: 1 mm under per side (common practice; default from memory). */
export const snugPocketMm = (sizeMm: number): number => sizeMm - 2;

export interface PackRoom {
  needMm: number;
  haveMm: number;
  /** True when the pack reaches the bony knob at the side of the wrist. */
  onWristBone: boolean;
}

/** Distance from the wrist fold over which the bony knobs stand out, and how far round from each side; from memory. */
const BONE_REACH_MM = 35;
const BONE_SPREAD_DEG = 40;

const offSide = (aroundDeg: number): number => {
  const turned = ((aroundDeg % 180) + 180) % 180;
  return Math.abs(turned - 90);
};

/**
 * Whether a pack fits between shell and sleeve.
 * @param roomMm gap between the inner face and the sleeve, padding cut away where the pack sits.
 */
export function packRoom(
  pack: Pack,
  at: { aroundDeg: number; alongMm: number },
  roomMm: number,
  thicknessMm: number,
  pocket: boolean,
): PackRoom {
  const haveMm = roomMm + (pocket ? pocketDepthMm(thicknessMm) : 0);
  const nearest = at.alongMm - pack.lengthMm / 2;
  return {
    needMm: pack.thickMm,
    haveMm,
    onWristBone: nearest < BONE_REACH_MM && offSide(at.aroundDeg) < BONE_SPREAD_DEG,
  };
}

/** Room under the skin that a lamp's body takes beyond the foam it stands in. */
export const lampOverhangMm = (lengthMm: number, thicknessMm: number): number =>
  Math.max(0, lengthMm - thicknessMm);
