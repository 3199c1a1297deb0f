import type { PixelPicture } from '@fomrik/core/view';
import { useEffect, useRef } from 'react';

/** A picture of pixels, as large as its place. */
export function PixelView({ picture, className }: { picture: PixelPicture; className?: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const { width, height, data } = picture;
    canvas.current
      ?.getContext('2d')
      ?.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  }, [picture]);
  return (
    <canvas
      ref={canvas}
      width={picture.width}
      height={picture.height}
      className={`object-contain ${className ?? ''}`}
      aria-hidden
    />
  );
}
