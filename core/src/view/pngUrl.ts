import { encode } from 'fast-png';
import type { PixelPicture } from './shaded';

/** A picture as a PNG. */
export const pngOf = ({ width, height, data }: PixelPicture): Uint8Array =>
  encode({ width, height, data, channels: 4, depth: 8 });

/** A picture as a PNG in a data URL. */
export const pngUrl = (picture: PixelPicture): string =>
  `data:image/png;base64,${btoa(Array.from(pngOf(picture), (byte) => String.fromCharCode(byte)).join(''))}`;
