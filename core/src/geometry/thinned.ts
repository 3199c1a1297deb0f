import { firstOf } from '../units';
import { dist2, type Vec2 } from './vec';

/** How far a point lies from the straight way between two others, squared. */
function offLine2(p: Vec2, a: Vec2, b: Vec2): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const span = dx * dx + dy * dy;
  const t = span === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / span));
  const [x, y] = [a.x + t * dx - p.x, a.y + t * dy - p.y];
  return x * x + y * y;
}

/** Marks the points of a run that must be kept (Douglas and Peucker, 1973), iteratively. */
function marked(run: readonly Vec2[], within2: number, keep: Uint8Array): void {
  const stack: [number, number][] = [[0, run.length - 1]];
  for (let span = stack.pop(); span; span = stack.pop()) {
    const [from, to] = span;
    let worst = 0;
    let at = -1;
    for (let i = from + 1; i < to; i++) {
      const off = offLine2(run[i]!, run[from]!, run[to]!);
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0 || worst <= within2) continue;
    keep[at] = 1;
    stack.push([from, at], [at, to]);
  }
}

/** The ring as the points that keep it within a distance. */
function within(ring: readonly Vec2[], mm: number): Vec2[] {
  // Begun at the two points that lie furthest apart, which any outline keeps.
  const far = ring.reduce(
    (best, p, i) => (dist2(p, firstOf(ring)) > dist2(ring[best]!, firstOf(ring)) ? i : best),
    0,
  );
  const run = [...ring.slice(far), ...ring.slice(0, far + 1)];
  const keep = new Uint8Array(run.length);
  const half = ring.length - far;
  keep[0] = 1;
  keep[half] = 1;
  marked(run.slice(0, half + 1), mm * mm, keep);
  const second = new Uint8Array(run.length - half);
  marked(run.slice(half), mm * mm, second);
  second.forEach((k, i) => (keep[half + i] ||= k));
  return run.filter((_, i) => keep[i] === 1 && i < run.length - 1);
}

/** A closed ring in fewer points, and the most that any of its points lies off it. */
export interface Thinned {
  ring: Vec2[];
  offMm: number;
}

/**
 * A closed ring in as few points as keep it within a distance. When they are still more than `most`, the distance grows
 * until they are not, and `offMm` tells what came of it.
 */
export function thinned(ring: readonly Vec2[], most: number, withinMm: number): Thinned {
  if (ring.length <= 3) return { ring: [...ring], offMm: 0 };
  for (let offMm = withinMm; ; offMm *= 1.3) {
    const found = within(ring, offMm);
    if (found.length <= most || found.length <= 4) return { ring: found, offMm };
  }
}
