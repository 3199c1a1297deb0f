import { itemAt } from '../units';
import { dist2, type Vec2 } from '../geometry';

/** An outline without its small loops, and where each of its points went. */
export interface Unlooped {
  outline: Vec2[];
  at: (index: number) => number;
}

const side = (a: Vec2, b: Vec2, p: Vec2): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Where two segments cross, ends not counted. */
function crossing(a: Vec2, b: Vec2, c: Vec2, d: Vec2): Vec2 | undefined {
  if (side(a, b, c) > 0 === side(a, b, d) > 0 || side(c, d, a) > 0 === side(c, d, b) > 0) return undefined;
  const [p, q] = [side(c, d, a), side(c, d, b)];
  const t = p / (p - q || 1);
  return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
}

const MOST_ROUNDS = 60;

/**
 * Small loops where an outline crosses itself, taken off at the crossing: where facets of a net meet in a corner, their
 * bevels reach over each other, and a knife cuts them off there.
 * @param loopMm loops no longer than this are taken off; longer ones are no accident, and stay.
 */
export function unlooped(outline: readonly Vec2[], loopMm: number): Unlooped {
  let now = [...outline];
  let at = outline.map((_, i) => i);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const found = smallest(now, loopMm);
    if (!found) break;
    const { from, to, spot } = found;
    const n = now.length;
    // Begun anew after the loop, so that it is a run of points.
    const kept = Array.from({ length: n - ((to - from + n) % n) }, (_, k) => (to + 1 + k) % n);
    const place = new Map(kept.map((old, k) => [old, k]));
    now = [...kept.map((old) => itemAt(now, old)), spot];
    at = at.map((index) => place.get(index) ?? now.length - 1);
  }
  return { outline: now, at: (index) => itemAt(at, index) };
}

/** The shortest loop: between the segments that begin at `from` and at `to`. */
function smallest(
  outline: readonly Vec2[],
  loopMm: number,
): { from: number; to: number; spot: Vec2 } | undefined {
  const n = outline.length;
  let best: { from: number; to: number; spot: Vec2; mm: number } | undefined;
  for (let from = 0; from < n; from++) {
    let mm = 0;
    for (let k = 1; k < n - 1; k++) {
      const to = (from + k) % n;
      if (k > 1) mm += dist2(itemAt(outline, (to + n - 1) % n), itemAt(outline, to));
      if (mm > (best?.mm ?? loopMm)) break;
      if (k < 2) continue;
      const spot = crossing(
        itemAt(outline, from),
        itemAt(outline, (from + 1) % n),
        itemAt(outline, to),
        itemAt(outline, (to + 1) % n),
      );
      if (spot) {
        best = { from, to, spot, mm };
        break;
      }
    }
  }
  return best;
}
