import { dist2, lerp3, type Vec2, type Vec3 } from '../geometry';
import { type Eye, seen } from './eye';
import { type Frame, inFrame } from './frame';
import type { Raster } from './raster';

/** A line is looked at every so many pixels. */
const STEP_PX = 1.5;
/** Lies on what is seen if it is no deeper than this, mm. */
const ON_MM = 1.4;

/** How near the deepest of what is seen at and round a pixel is; nothing lies before the line where there is nothing. */
function deepestAt({ width, height, near }: Raster, { x, y }: Vec2): number {
  let deepest = Infinity;
  for (let dy = -1; dy <= 1; dy++)
    for (let dx = -1; dx <= 1; dx++) {
      const [px, py] = [Math.floor(x) + dx, Math.floor(y) + dy];
      if (px < 0 || py < 0 || px >= width || py >= height) return -Infinity;
      deepest = Math.min(deepest, near[py * width + px]!);
    }
  return deepest;
}

/** Whether nothing hides a spot in space. */
export function isSeen(spot: Vec3, eye: Eye, frame: Frame, raster: Raster): boolean {
  const p = seen(eye, spot);
  return p.z >= deepestAt(raster, inFrame(frame, p)) - ON_MM;
}

/** The runs of a line in space that nothing hides, as they lie in the picture. */
export function visibleRuns(line: readonly Vec3[], eye: Eye, frame: Frame, raster: Raster): Vec2[][] {
  const runs: Vec2[][] = [];
  let run: Vec2[] = [];
  const add = (p: Vec3): void => {
    const at = inFrame(frame, p);
    if (p.z >= deepestAt(raster, at) - ON_MM) run.push(at);
    else if (run.length > 0) {
      runs.push(run);
      run = [];
    }
  };
  const all = line.map((p) => seen(eye, p));
  all.forEach((p, i) => {
    const before = all[i - 1];
    if (!before) return add(p);
    const steps = Math.max(1, Math.ceil((dist2(before, p) * frame.pxPerMm) / STEP_PX));
    for (let k = 1; k <= steps; k++) add(lerp3(before, p, k / steps));
  });
  if (run.length > 0) runs.push(run);
  return runs.filter((r) => r.length > 1);
}
