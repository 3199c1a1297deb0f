import { contours } from 'd3-contour';
import type { Vec2 } from '../geometry';
import type { Raster } from './raster';

/** Corners closer to the line between their neighbours than this are left out, pixels. */
const STRAIGHT_PX = 0.6;

/** A ring with the corners that matter: none that is left out lies farther off than the tolerance. */
export function straightened(ring: readonly Vec2[], tolerance: number): Vec2[] {
  const keep = new Uint8Array(ring.length);
  const stack: [number, number][] = [[0, ring.length - 1]];
  keep[0] = keep[ring.length - 1] = 1;
  while (stack.length > 0) {
    const [from, to] = stack.pop()!;
    const [a, b] = [ring[from]!, ring[to]!];
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    let [worst, at] = [tolerance, -1];
    for (let i = from + 1; i < to; i++) {
      const p = ring[i]!;
      const off =
        long < 1e-9
          ? Math.hypot(p.x - a.x, p.y - a.y)
          : Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / long;
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0) continue;
    keep[at] = 1;
    stack.push([from, at], [at, to]);
  }
  return ring.filter((_, i) => keep[i]);
}

/** How far what is seen of a thing reaches, pixels. */
interface Reach {
  left: number;
  right: number;
  top: number;
  low: number;
}

function reachesIn({ width, of }: Raster, keys: readonly string[]): Map<string, Reach> {
  const reaches = new Map<string, Reach>();
  of.forEach((index, pixel) => {
    if (index < 0) return;
    const x = pixel % width;
    const y = (pixel - x) / width;
    const known = reaches.get(keys[index]!);
    if (!known) return void reaches.set(keys[index]!, { left: x, right: x, top: y, low: y });
    if (x < known.left) known.left = x;
    if (x > known.right) known.right = x;
    if (y < known.top) known.top = y;
    if (y > known.low) known.low = y;
  });
  return reaches;
}

/**
 * What is seen, as rings in the picture: outlines and holes, closed.
 * @param keys what each thing that is shown belongs to; what belongs together has one region.
 */
export function regionsOf(raster: Raster, keys: readonly string[]): Map<string, Vec2[][]> {
  const { width, of } = raster;
  return new Map(
    [...reachesIn(raster, keys)].map(([key, { left, right, top, low }]) => {
      // Looked at no further than it reaches, and a pixel round it.
      const [wide, high] = [right - left + 3, low - top + 3];
      const inside = new Array<number>(wide * high).fill(0);
      for (let y = top; y <= low; y++)
        for (let x = left; x <= right; x++) {
          const index = of[y * width + x]!;
          if (index >= 0 && keys[index] === key) inside[(y - top + 1) * wide + x - left + 1] = 1;
        }
      const [shape] = contours().size([wide, high]).smooth(true).thresholds([0.5])(inside);
      const rings = (shape?.coordinates ?? [])
        .flat()
        .map((ring) =>
          straightened(
            ring.map((p) => ({ x: p[0]! + left - 1, y: p[1]! + top - 1 })),
            STRAIGHT_PX,
          ),
        )
        .filter((ring) => ring.length > 3);
      return [key, rings];
    }),
  );
}
