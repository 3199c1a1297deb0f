import type { Vec2 } from '../geometry';
import { type Eye, seen } from './eye';
import type { Shown } from './shown';

/** What of a scene is in a picture: its middle as it is seen, how many pixels a millimetre is, and its size. */
export interface Frame {
  centre: Vec2;
  pxPerMm: number;
  width: number;
  height: number;
}

/** Room left at the border, as a share of the picture. */
const BORDER = 0.06;

/** Corners that are drawn. */
function corners(shown: readonly Shown[]): Iterable<{ x: number; y: number; z: number }> {
  return (function* () {
    for (const { mesh, from, to } of shown)
      for (let t = from; t < to; t++) for (const i of mesh.triangles[t]!) yield mesh.points[i]!;
  })();
}

/** A frame that holds all that is shown, as large as it goes in. */
export function frameOf(shown: readonly Shown[], eye: Eye, width: number, height: number): Frame {
  let [minX, maxX, minY, maxY] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const p of corners(shown)) {
    const { x, y } = seen(eye, p);
    minX = Math.min(minX, x);
    maxX = Math.max(maxX, x);
    minY = Math.min(minY, y);
    maxY = Math.max(maxY, y);
  }
  if (minX > maxX) return { centre: { x: 0, y: 0 }, pxPerMm: 1, width, height };
  const inner = 1 - 2 * BORDER;
  return {
    centre: { x: (minX + maxX) / 2, y: (minY + maxY) / 2 },
    pxPerMm: Math.min(
      (width * inner) / Math.max(1, maxX - minX),
      (height * inner) / Math.max(1, maxY - minY),
    ),
    width,
    height,
  };
}

/** A seen point in the picture, pixels from its upper left corner. */
export const inFrame = ({ centre, pxPerMm, width, height }: Frame, { x, y }: Vec2): Vec2 => ({
  x: width / 2 + (x - centre.x) * pxPerMm,
  y: height / 2 - (y - centre.y) * pxPerMm,
});
