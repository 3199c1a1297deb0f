import { lastOf } from '../units';
import type { Vec2 } from './vec';

const turn = (o: Vec2, a: Vec2, b: Vec2): number => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);

/** Convex hull, counter-clockwise, by Andrew's monotone chain (1979). */
export function convexHull(points: readonly Vec2[]): Vec2[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  if (sorted.length < 3) return sorted;
  const half = (run: readonly Vec2[]): Vec2[] => {
    const chain: Vec2[] = [];
    for (const p of run) {
      while (chain.length >= 2 && turn(chain.at(-2)!, lastOf(chain), p) <= 0) chain.pop();
      chain.push(p);
    }
    chain.pop();
    return chain;
  };
  return [...half(sorted), ...half(sorted.reverse())];
}
