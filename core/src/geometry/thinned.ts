import { Clipper } from 'clipper2-ts';
import type { Vec2 } from './vec';

/** A closed ring in as few points as keep it within a distance, or within more when they are still too many. */
export function thinned(ring: readonly Vec2[], most: number, withinMm: number): Vec2[] {
  for (let tolerance = withinMm; ; tolerance *= 1.6) {
    const found = Clipper.simplifyPathD([...ring], tolerance, true).map(({ x, y }) => ({ x, y }));
    if (found.length <= most || tolerance > 1000) return found.slice(0, most);
  }
}
