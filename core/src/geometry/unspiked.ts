import { lastOf, firstOf } from '../units';
import type { Vec2 } from './vec';

/** Points nearer than this are one, mm, as polygon libraries count; directions that agree to this are one, as a share. */
const GRID = 1e-5;
const SAME = 1e-9;

const whole = (mm: number): number => Math.round(mm / GRID);

/** Whether a line that runs from a to p runs straight back from there. */
function turnsBack(a: Vec2, p: Vec2, b: Vec2): boolean {
  const [ux, uy] = [whole(p.x) - whole(a.x), whole(p.y) - whole(a.y)];
  const [vx, vy] = [whole(b.x) - whole(p.x), whole(b.y) - whole(p.y)];
  const off = Math.abs(ux * vy - uy * vx);
  return ux * vx + uy * vy < 0 && off <= SAME * Math.hypot(ux, uy) * Math.hypot(vx, vy);
}

const alike = (a: Vec2, b: Vec2): boolean => whole(a.x) === whole(b.x) && whole(a.y) === whole(b.y);

/**
 * A closed ring without points that stand twice, and without spikes along which it runs out and straight back: those
 * enclose nothing, and polygon libraries do not come back from rings that are nothing else.
 */
export function unspiked(ring: readonly Vec2[]): Vec2[] {
  const kept: Vec2[] = [];
  const settle = (): void => {
    for (;;) {
      const [a, p, b] = kept.slice(-3);
      if (kept.length >= 2 && alike(lastOf(kept), kept.at(-2)!)) kept.pop();
      else if (a && p && b && kept.length >= 3 && turnsBack(a, p, b)) kept.splice(-2, 1);
      else return;
    }
  };
  for (const point of ring) {
    kept.push(point);
    settle();
  }
  // Where it closes the same goes on from both ends.
  for (;;) {
    const n = kept.length;
    if (n < 3) return [];
    if (alike(firstOf(kept), kept[n - 1]!)) kept.pop();
    else if (turnsBack(kept[n - 2]!, kept[n - 1]!, firstOf(kept))) kept.pop();
    else if (turnsBack(kept[n - 1]!, firstOf(kept), kept[1]!)) kept.shift();
    else return kept;
  }
}
