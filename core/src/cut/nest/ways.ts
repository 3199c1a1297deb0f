import { boundsOf, convexHull, grown, largestRing, type Vec2 } from '../../geometry';
import { laidOutline } from '../packing';
import { type Cells, cellsOf, shifted } from './raster';

/** A piece turned one way: its cells, those moved right by each part of a word, and where its outline begins in them. */
export interface Way {
  flipped: boolean;
  turnRad: number;
  cells: Cells;
  moved: (by: number) => Cells;
  /** Lower left of the box of the turned outline, kept room included. */
  minX: number;
  minY: number;
  widthMm: number;
  heightMm: number;
}

/** Turns that are tried besides those that lay an edge of the hull level. */
const STEPS = 4;
/** No more edges than this are laid level, the longest first. */
const EDGES = 4;

/** Turns worth trying: quarters of the way in which the longest edges of the hull lie level. */
function turnsOf(outline: readonly Vec2[]): number[] {
  const hull = convexHull([...outline]);
  const edges = hull
    .map((p, i) => {
      const q = hull[(i + 1) % hull.length]!;
      return { mm: Math.hypot(q.x - p.x, q.y - p.y), rad: -Math.atan2(q.y - p.y, q.x - p.x) };
    })
    .sort((a, b) => b.mm - a.mm)
    .slice(0, EDGES);
  const quarter = Math.PI / 2;
  const found: number[] = [];
  for (const { rad } of [...edges, { rad: 0 }])
    for (let k = 0; k < STEPS; k++) {
      const turn = (((rad + k * quarter) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
      if (found.every((f) => Math.abs(f - turn) > 0.02 && Math.abs(f - turn) < 2 * Math.PI - 0.02))
        found.push(turn);
    }
  return found;
}

/** Rounded corners are drawn in chords: so much more is kept clear that none comes nearer than it may, mm. */
const ROUND_MM = 0.02;

const known = new WeakMap<readonly Vec2[], Map<string, Way[]>>();

/**
 * Every way a piece is tried, in cells with half the spacing round it; remembered while the outline is.
 * Only as it is or flipped, never both: the hand of a piece is not free.
 */
export function waysOf(outline: readonly Vec2[], flipped: boolean, cellMm: number, spacingMm: number): Way[] {
  let own = known.get(outline);
  if (!own) known.set(outline, (own = new Map()));
  const key = `${flipped}/${cellMm}/${spacingMm}`;
  const before = own.get(key);
  if (before) return before;
  const kept =
    spacingMm > 0 ? largestRing(grown([[...outline]], spacingMm / 2 + ROUND_MM, 'rounded')) : [...outline];
  // An outline that runs clockwise grows inwards: its box is the larger of the two.
  const wide = largestRing([kept, [...outline]]);
  const ways = turnsOf(outline.map((p) => (flipped ? { x: -p.x, y: p.y } : p))).map((turnRad): Way => {
    const turned = laidOutline(wide, { flipped, turnRad, x: 0, y: 0 });
    const b = boundsOf(turned);
    const cells = cellsOf(turned, cellMm);
    const shifts: Cells[] = [];
    return {
      flipped,
      turnRad,
      cells,
      moved: (by) => (shifts[by] ??= shifted(cells, by)),
      minX: b.minX,
      minY: b.minY,
      widthMm: b.maxX - b.minX,
      heightMm: b.maxY - b.minY,
    };
  });
  own.set(key, ways);
  return ways;
}
