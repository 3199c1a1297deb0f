import type { Vec3 } from '../../geometry';

/** What an eye sees through an opening, degrees from straight ahead. */
export interface Sight {
  sideDeg: number;
  upDeg: number;
  downDeg: number;
}

const deg = (rad: number): number => (rad * 180) / Math.PI;

/**
 * Field of view through an opening in the shell's front from the middle between the eyes.
 * @param eye the eye point, y forward.
 * @param edge half-width, top and bottom of the opening where it lies, and how far forward that is.
 */
export function sightThrough(
  eye: Vec3,
  edge: { halfWidthMm: number; sideY: number; topZ: number; bottomZ: number; frontY: number },
): Sight {
  return {
    sideDeg: deg(Math.atan2(edge.halfWidthMm, Math.max(1, edge.sideY - eye.y))),
    upDeg: deg(Math.atan2(edge.topZ - eye.z, Math.max(1, edge.frontY - eye.y))),
    downDeg: deg(Math.atan2(eye.z - edge.bottomZ, Math.max(1, edge.frontY - eye.y))),
  };
}

/** A maker wants 60° each side and 30° down to walk safely; below 40° or 20° is a stop; from memory. */
export const sightWanted = { sideDeg: 60, downDeg: 30 };
export const sightLeast = { sideDeg: 40, downDeg: 20 };
