import { PICTURE_MM } from './picture';

/** Room left round a thing in its picture, mm of the picture. */
const EDGE = 4;

/** How large a thing of a longest side is drawn, beside others of its kind up to `mostMm`: as in life where it goes in. */
export const scaleFor = (mostMm: number): number => (PICTURE_MM.width - 2 * EDGE) / mostMm;

/** A box as it lies, in the middle of the picture. */
export function centred(lengthMm: number, widthMm: number): { x: number; y: number } {
  return { x: (PICTURE_MM.width - lengthMm) / 2, y: (PICTURE_MM.height - widthMm) / 2 };
}
