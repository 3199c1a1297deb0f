import { headForm, levels } from '../../body';
import type { Vec3 } from '../../geometry';
import type { FormInput } from '../contract';
import type { HelmetParams } from './params';

/** Elevation of the brow line, where the dome ends and the skirt begins. */
export const BROW_DEG = 8;

export const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** What every piece of a helmet is laid out from. */
export interface HelmetFrame {
  centre: Vec3;
  /** Half-sizes of the inside of the dome. */
  axes: Vec3;
  /** From the skin to the inside. */
  outMm: number;
  browZ: number;
  bottomZ: number;
  /** Between the eyes. */
  eye: Vec3;
  /** Half the length of the head. */
  headFront: number;
  /** Height of the middle of the ears. */
  earZ: number;
  /** The wall below the brow: azimuth in radians (0 right, a quarter turn front), share of its height. */
  wall: (azimuth: number, v: number) => Vec3;
}

export function helmetFrame({ params, body, underLayerMm, liningMm }: FormInput<HelmetParams>): HelmetFrame {
  const head = headForm(body);
  const at = levels(body);
  const outMm = underLayerMm + liningMm + params.paddingMm;
  const centre = head.middle;
  const axes = { x: head.side + outMm, y: head.front + outMm, z: head.up + outMm };
  const browZ = centre.z + axes.z * Math.sin(rad(BROW_DEG));
  const bottomZ = Math.max(at.chin - 20, browZ - params.skirtMm);
  const brow = Math.cos(rad(BROW_DEG));
  return {
    centre,
    axes,
    outMm,
    browZ,
    bottomZ,
    eye: { x: 0, y: centre.y + head.front - 12, z: head.eyeZ },
    headFront: head.front,
    earZ: head.earZ,
    wall: (azimuth, v) => ({
      x: centre.x + axes.x * brow * Math.cos(azimuth),
      y: centre.y + axes.y * brow * Math.sin(azimuth),
      z: browZ + (bottomZ - browZ) * (1 - v),
    }),
  };
}
