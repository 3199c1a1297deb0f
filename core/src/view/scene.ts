import { zoneInfo } from '../body';
import type { Vec3 } from '../geometry';
import type { PartReport } from '../parts';

/** A limb stands upright with its back to the eye: part (x back, y side, z along) to scene (y, z, x). */
const fromLimb = (p: Vec3): Vec3 => ({ x: p.y, y: p.z, z: p.x });

/** A figure that faces the eye: figure (x wearer's right, y front, z up) to scene (−x, z, y). */
export const figureToScene = (p: Vec3): Vec3 => ({ x: -p.x, y: p.z, z: p.y });

/** From a part's own space to that of a scene: x to the right, y up, z to the eye. A left part is mirrored. */
export function toScene({ zone, mount }: Pick<PartReport, 'zone' | 'mount'>): (p: Vec3) => Vec3 {
  const limb = zone !== undefined && zoneInfo(zone).frame !== undefined;
  const left = zone !== undefined && mount.to === 'wearer' && mount.side === 'left';
  const to = limb ? fromLimb : figureToScene;
  if (!left) return to;
  return limb ? (p) => to({ ...p, y: -p.y }) : (p) => to({ ...p, x: -p.x });
}

/** Whether a part is looked at from behind: back plates and what is carried on the back. */
export const isBehind = ({ zone }: Pick<PartReport, 'zone'>): boolean => zone === 'back';
