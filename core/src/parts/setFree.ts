import type { Mount } from '../document';
import type { Anchor } from '../forms';

type OnPart = Extract<Mount, { to: 'part' }>;

/** What is left of several copies when the last of them is set free, and where that one is. */
export interface SetFree {
  kept: OnPart;
  own: OnPart;
}

const rad = (deg: number): number => (deg * Math.PI) / 180;
const round = (mm: number): number => Math.round(mm * 1e4) / 1e4;

/**
 * The last of several copies by itself, where it stood; nothing of a single one, of one that is a mirror image, or of a
 * ring that lies over no face: off an axis a part by itself has no place.
 */
export function setFree(mount: OnPart, anchor: Pick<Anchor, 'face'> | undefined): SetFree | undefined {
  const { copies, ...one } = mount;
  if (!copies || copies.way === 'mirrored' || (copies.way === 'round' && !anchor?.face)) return undefined;
  const { alongMm = 0, acrossMm = 0, turnDeg = 0 } = one;
  const last = copies.count - 1;
  if (copies.way === 'row')
    return {
      kept: last > 1 ? { ...mount, copies: { ...copies, count: last } } : one,
      own: {
        ...one,
        alongMm: round(alongMm + last * copies.alongMm),
        acrossMm: round(acrossMm + last * copies.acrossMm),
      },
    };
  const steps = Math.abs(copies.sweepDeg) >= 360 ? copies.count : last;
  const stepDeg = copies.sweepDeg / steps;
  const at = (deg: number): OnPart => ({
    ...one,
    alongMm: round(alongMm + copies.radiusMm * Math.cos(rad(deg))),
    acrossMm: round(acrossMm - copies.radiusMm * Math.sin(rad(deg))),
    turnDeg: round(turnDeg + deg),
  });
  return {
    kept:
      last > 1
        ? { ...mount, copies: { ...copies, count: last, sweepDeg: round(stepDeg * (last - 1)) } }
        : at(0),
    own: at(last * stepDeg),
  };
}
