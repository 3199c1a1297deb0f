import { firstOf, lastOf } from '@fomrik/core/units';
import type { Vec2 } from '@fomrik/core/geometry';
import {
  type Known,
  type Laid,
  measuredOn,
  type Picture,
  seenThrough,
  type Spot,
  squaredPicture,
  type Traced,
  tracedOn,
} from '@fomrik/core/picture';
import { expose } from 'comlink';

/** A picture laid square: where it lies, and itself. */
export interface SquaredImage {
  image: Blob;
  leftMm: number;
  topMm: number;
  widthMm: number;
  heightMm: number;
}

/** Traced lines are straightened within this, mm. */
const TRACED_MM = 0.3;

async function pixelsAt(url: string): Promise<ImageData> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error('The picture is not at hand.');
  const bitmap = await createImageBitmap(await answer.blob());
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0);
  return context.getImageData(0, 0, bitmap.width, bitmap.height);
}

const api = {
  /** Outlines of what lies on plain ground in it, each with how far its width may be off. */
  traced: async (
    url: string,
    picture: Picture,
    known: Known | undefined,
    laid: Laid,
    most: number,
  ): Promise<{ outlines: (Traced & { likelyMm: number })[]; sheetBowMm?: number }> => {
    const { outlines, ...sheet } = tracedOn(
      squaredPicture(await pixelsAt(url), laid, most),
      picture,
      laid,
      TRACED_MM,
    );
    const spot = (p: Vec2): Spot => {
      const { x, y } = seenThrough(laid.toPx, p)!;
      return [x, y];
    };
    const reported = outlines.map((one) => {
      const byX = [...one.outline].sort((a, b) => a.x - b.x);
      const across = measuredOn(picture, known, spot(firstOf(byX)), spot(lastOf(byX)));
      return { ...one, likelyMm: across?.likelyMm ?? 0 };
    });
    return { outlines: reported, ...sheet };
  },
  squared: async (url: string, laid: Laid, most: number): Promise<SquaredImage> => {
    const { pixels, ...where } = squaredPicture(await pixelsAt(url), laid, most);
    const out = new OffscreenCanvas(pixels.width, pixels.height);
    const data = new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height);
    out.getContext('2d', { willReadFrequently: true })!.putImageData(data, 0, 0);
    return { image: await out.convertToBlob({ type: 'image/webp', quality: 0.85 }), ...where };
  },
};

export type PictureWorker = typeof api;
expose(api);
