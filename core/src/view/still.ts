import type { Scheme } from '../document';
import type { Vec3 } from '../geometry';
import type { PartReport } from '../parts';
import { type BoxDimension, boxDimensions, boxShown } from './boxDimensions';
import { eyeAlong } from './eye';
import { frameOf } from './frame';
import { type PixelPicture, shadedPicture } from './shaded';
import { shownOf } from './shown';
import { toneIn } from './tones';

/** A picture to be kept: the way towards the eye, how large, and with how much room round it for dimensions. */
export interface StillAsked {
  out: Vec3;
  width: number;
  height: number;
  dimensions: boolean;
}

/** Room left for dimensions, as a share of the picture. */
const ROOM = 0.88;

/** A part in its finish from any side, with its three sizes where they are asked for. */
export function still(
  part: PartReport,
  scheme: Scheme | undefined,
  { out, width, height, dimensions }: StillAsked,
): { picture: PixelPicture; dimensions: BoxDimension[] } {
  const shown = shownOf(part);
  const eye = eyeAlong(out);
  const whole = frameOf(dimensions ? boxShown(shown) : shown, eye, width, height);
  const frame = dimensions ? { ...whole, pxPerMm: whole.pxPerMm * ROOM } : whole;
  return {
    picture: shadedPicture(shown, toneIn(part, scheme), eye, frame, scheme?.wear),
    dimensions: dimensions ? boxDimensions(shown, eye, frame) : [],
  };
}

/** The ways round something, all from the same height. */
export const waysRound = (out: Vec3, count: number): Vec3[] => {
  const level = Math.hypot(out.x, out.z);
  const first = Math.atan2(out.x, out.z);
  return Array.from({ length: count }, (_, i) => {
    const turn = first + (2 * Math.PI * i) / count;
    return { x: level * Math.sin(turn), y: out.y, z: level * Math.cos(turn) };
  });
};
