import { type Laid, squaredPicture } from '@fomrik/core/picture';
import { expose } from 'comlink';

/** A picture laid square: where it lies, and itself. */
export interface SquaredImage {
  image: Blob;
  leftMm: number;
  topMm: number;
  widthMm: number;
  heightMm: number;
}

const api = {
  squared: async (url: string, laid: Laid, most: number): Promise<SquaredImage> => {
    const answer = await fetch(url);
    if (!answer.ok) throw new Error('The picture is not at hand.');
    const bitmap = await createImageBitmap(await answer.blob());
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const context = canvas.getContext('2d')!;
    context.drawImage(bitmap, 0, 0);
    const { pixels, ...where } = squaredPicture(
      context.getImageData(0, 0, bitmap.width, bitmap.height),
      laid,
      most,
    );
    const out = new OffscreenCanvas(pixels.width, pixels.height);
    const data = new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height);
    out.getContext('2d')!.putImageData(data, 0, 0);
    return { image: await out.convertToBlob({ type: 'image/webp', quality: 0.85 }), ...where };
  },
};

export type PictureWorker = typeof api;
expose(api);
