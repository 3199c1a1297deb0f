import { itemAt } from '../units';
import { dist2, type Vec2 } from '../geometry';
import { seenThrough } from './homography';
import type { Laid } from './scale';

/** Red, green, blue and cover of every pixel, row by row from the top. */
export interface Pixels {
  data: Uint8ClampedArray;
  width: number;
  height: number;
}

/** A squared-up picture and where it lies: mm from the picture's middle, y up. */
export interface SquaredPicture {
  pixels: Pixels;
  leftMm: number;
  topMm: number;
  widthMm: number;
  heightMm: number;
}

/** A tilted picture reaches to its horizon; no more of it is shown than this many times the middle's scale. */
const MOST_STRETCH = 4;

/**
 * The picture as it would be seen from straight ahead, at most `most` pixels either way, sampled between its four
 * nearest pixels. What lies behind the picture's edge or too near its horizon is left clear.
 */
export function squaredPicture(of: Pixels, laid: Laid, most: number): SquaredPicture {
  const edge = borderSpots(of.width, of.height);
  const scaleAt = (p: Vec2): number => {
    const [a, b] = [seenThrough(laid.toMm, p), seenThrough(laid.toMm, { x: p.x + 1, y: p.y + 1 })];
    return a && b ? dist2(a, b) : Infinity;
  };
  const usual = scaleAt({ x: of.width / 2, y: of.height / 2 });
  const shown = edge.filter((p) => scaleAt(p) < usual * MOST_STRETCH).map((p) => seenThrough(laid.toMm, p)!);
  const xs = shown.map((p) => p.x);
  const ys = shown.map((p) => p.y);
  const [left, right, bottom, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const [widthMm, heightMm] = [right - left, top - bottom];
  const pxPerMm = Math.min(most / widthMm, most / heightMm, Math.SQRT2 / usual);
  const width = Math.max(1, Math.round(widthMm * pxPerMm));
  const height = Math.max(1, Math.round(heightMm * pxPerMm));
  const data = new Uint8ClampedArray(width * height * 4);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const at = seenThrough(laid.toPx, {
        x: left + ((column + 0.5) / width) * widthMm,
        y: top - ((row + 0.5) / height) * heightMm,
      });
      if (at) sample(of, at, data, (row * width + column) * 4);
    }
  return { pixels: { data, width, height }, leftMm: left, topMm: top, widthMm, heightMm };
}

/** Spots along the picture's border and over its face. */
function borderSpots(width: number, height: number): Vec2[] {
  const n = 24;
  return Array.from({ length: (n + 1) * (n + 1) }, (_, i) => ({
    x: ((i % (n + 1)) / n) * width,
    y: (Math.floor(i / (n + 1)) / n) * height,
  }));
}

function sample(of: Pixels, at: Vec2, into: Uint8ClampedArray, k: number): void {
  const [x, y] = [at.x - 0.5, at.y - 0.5];
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  if (x0 < 0 || y0 < 0 || x0 >= of.width - 1 || y0 >= of.height - 1) return;
  const [fx, fy] = [x - x0, y - y0];
  const i = (y0 * of.width + x0) * 4;
  const down = of.width * 4;
  for (let c = 0; c < 4; c++) {
    const upper = itemAt(of.data, i + c) * (1 - fx) + itemAt(of.data, i + 4 + c) * fx;
    const lower = itemAt(of.data, i + down + c) * (1 - fx) + itemAt(of.data, i + down + 4 + c) * fx;
    into[k + c] = upper * (1 - fy) + lower * fy;
  }
}
