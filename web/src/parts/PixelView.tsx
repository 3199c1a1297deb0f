import type { PixelPicture } from '@fomrik/core/view';
import { useEffect, useState } from 'react';

/** A picture of pixels as a file of the browser's, for as long as it is shown. */
async function urlOf({ width, height, data }: PixelPicture): Promise<string> {
  const canvas = new OffscreenCanvas(width, height);
  // Kept out of the graphics card: it is read back at once, and waiting for the card would hold up the page.
  canvas
    .getContext('2d', { willReadFrequently: true })!
    .putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  return URL.createObjectURL(await canvas.convertToBlob());
}

/** A picture may still be shown for so long after it was replaced, ms. */
const SHOWN_MS = 3000;

/** A picture of pixels, as large as its place. */
export function PixelView({ picture, className = '' }: { picture: PixelPicture; className?: string }) {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let left = false;
    let made: string | undefined;
    void urlOf(picture).then((next) => {
      made = next;
      if (left) URL.revokeObjectURL(next);
      else setUrl(next);
    });
    return () => {
      left = true;
      const old = made;
      // The next picture is shown before the last one goes.
      if (old) setTimeout(() => URL.revokeObjectURL(old), SHOWN_MS);
    };
  }, [picture]);
  return url ? (
    <img src={url} alt="" draggable={false} className={`object-contain ${className}`} />
  ) : (
    <span className={className} aria-hidden />
  );
}
