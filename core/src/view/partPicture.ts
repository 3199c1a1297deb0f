import type { Scheme } from '../document';
import type { PartReport } from '../parts';
import { eyeAt, usualEye } from './eye';
import { frameOf } from './frame';
import { isBehind } from './scene';
import { type PixelPicture, shadedPicture } from './shaded';
import { shownOf } from './shown';
import { toneIn } from './tones';

/** What is worn on the back is looked at from behind. */
const fromBehind = eyeAt(208, 16);

/** A small picture of a part as it is finished. */
export function partPicture(
  part: PartReport,
  scheme: Scheme | undefined,
  width: number,
  height: number,
): PixelPicture {
  const shown = shownOf(part);
  const eye = isBehind(part) ? fromBehind : usualEye;
  const tone = toneIn(part, scheme);
  const wear = scheme?.wear;
  return shadedPicture(shown, tone, eye, frameOf(shown, eye, width, height), wear);
}
