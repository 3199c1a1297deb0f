import { byId, itemAt, firstOf } from '../units';
import { contains, dist3, type Vec3 } from '../geometry';
import type { PartReport } from '../parts';

/** What a wire may run along: spots on the inner face of a part's pieces, and which lie next to each other. */
export interface Ways {
  spots: Vec3[];
  next: { to: number; mm: number }[][];
}

/** A way for a wire: how long, and through which spots. */
export interface Route {
  mm: number;
  points: Vec3[];
}

/** No more rows or columns of a piece than this are stepped on. */
const MOST_STEPS = 16;
/** Spots of two pieces nearer than this are on either side of a seam, mm. */
const SEAM_MM = 14;

const hops = [-2, -1, 0, 1, 2].flatMap((i) =>
  [-2, -1, 0, 1, 2].flatMap((j) =>
    // The eight neighbours and the eight knight's moves: no way is then much over a thirtieth too long.
    Math.abs(i) + Math.abs(j) === 3 || Math.max(Math.abs(i), Math.abs(j)) === 1 ? [[i, j] as const] : [],
  ),
);

function picked(count: number): number[] {
  const steps = Math.min(MOST_STEPS, count - 1);
  return Array.from({ length: steps + 1 }, (_, i) => Math.round((i * (count - 1)) / steps));
}

const known = new WeakMap<PartReport['surfaces'], Ways>();

/** The ways over a part, once for the same part. */
export function waysOf({ surfaces, pieces }: Pick<PartReport, 'surfaces' | 'pieces'>): Ways {
  const before = known.get(surfaces);
  if (before) return before;
  const ways: Ways = { spots: [], next: [] };
  const pieceOf: number[] = [];
  const link = (a: number, b: number): void => {
    const mm = dist3(itemAt(ways.spots, a), itemAt(ways.spots, b));
    itemAt(ways.next, a).push({ to: b, mm });
    itemAt(ways.next, b).push({ to: a, mm });
  };
  surfaces.forEach(({ grid, flat, pieceId, loose }, s) => {
    if (loose) return;
    const outline = byId(pieces, pieceId)?.outline;
    const [rows, columns] = [picked(grid.length), picked(firstOf(grid).length)];
    const at = new Map<string, number>();
    rows.forEach((r, i) =>
      columns.forEach((c, j) => {
        // Of a piece cut out of its box, what lies off the foam is no way.
        const f = flat[r]?.[c];
        if (outline && f && !contains(outline, f) && !onEdge(i, j, rows.length, columns.length)) return;
        at.set(`${i}/${j}`, ways.spots.length);
        ways.spots.push(itemAt(itemAt(grid, r), c));
        ways.next.push([]);
        pieceOf.push(s);
      }),
    );
    for (const [key, a] of at) {
      const [i, j] = key.split('/').map(Number) as [number, number];
      for (const [di, dj] of hops) {
        const b = at.get(`${i + di}/${j + dj}`);
        if (b !== undefined && b > a) link(a, b);
      }
    }
  });
  // Across seams: the nearest spot of every other piece.
  ways.spots.forEach((p, a) => {
    const nearest = new Map<number, { b: number; mm: number }>();
    ways.spots.forEach((q, b) => {
      if (pieceOf[a] === pieceOf[b] || b < a) return;
      if (Math.abs(p.x - q.x) > SEAM_MM || Math.abs(p.y - q.y) > SEAM_MM || Math.abs(p.z - q.z) > SEAM_MM)
        return;
      const mm = dist3(p, q);
      if (mm <= SEAM_MM && mm < (nearest.get(itemAt(pieceOf, b))?.mm ?? Infinity))
        nearest.set(itemAt(pieceOf, b), { b, mm });
    });
    for (const { b } of nearest.values()) link(a, b);
  });
  known.set(surfaces, ways);
  return ways;
}

const onEdge = (i: number, j: number, rows: number, columns: number): boolean =>
  i === 0 || j === 0 || i === rows - 1 || j === columns - 1;

const nearestSpot = ({ spots }: Ways, p: Vec3): number =>
  spots.reduce((best, q, i) => (dist3(p, q) < dist3(p, itemAt(spots, best)) ? i : best), 0);

/** Spots by how near they are, nearest first out (a binary heap). */
class Nearest {
  private heap: { at: number; mm: number }[] = [];

  get size(): number {
    return this.heap.length;
  }

  add(at: number, mm: number): void {
    const { heap } = this;
    let i = heap.push({ at, mm }) - 1;
    while (i > 0 && itemAt(heap, (i - 1) >> 1).mm > itemAt(heap, i).mm) {
      const up = (i - 1) >> 1;
      [heap[i], heap[up]] = [itemAt(heap, up), itemAt(heap, i)];
      i = up;
    }
  }

  take(): { at: number; mm: number } {
    const { heap } = this;
    const first = firstOf(heap);
    const last = heap.pop()!;
    if (heap.length === 0) return first;
    heap[0] = last;
    for (let i = 0; ;) {
      const [l, r] = [2 * i + 1, 2 * i + 2];
      let least = i;
      if (l < heap.length && itemAt(heap, l).mm < itemAt(heap, least).mm) least = l;
      if (r < heap.length && itemAt(heap, r).mm < itemAt(heap, least).mm) least = r;
      if (least === i) return first;
      [heap[i], heap[least]] = [itemAt(heap, least), itemAt(heap, i)];
      i = least;
    }
  }
}

/** The shortest way between two spots of the ways (Dijkstra, 1959); nothing when there is none. */
export function shortest({ spots, next }: Ways, from: number, to: number): Route | undefined {
  const best = new Float64Array(spots.length).fill(Infinity);
  const before = new Int32Array(spots.length).fill(-1);
  const open = new Nearest();
  best[from] = 0;
  open.add(from, 0);
  while (open.size > 0) {
    const { at, mm } = open.take();
    if (at === to) break;
    if (mm > itemAt(best, at)) continue;
    for (const hop of itemAt(next, at)) {
      const way = mm + hop.mm;
      if (way >= itemAt(best, hop.to)) continue;
      best[hop.to] = way;
      before[hop.to] = at;
      open.add(hop.to, way);
    }
  }
  if (!Number.isFinite(itemAt(best, to))) return undefined;
  const points: Vec3[] = [];
  for (let at = to; at >= 0; at = itemAt(before, at)) points.unshift(itemAt(spots, at));
  return { mm: itemAt(best, to), points };
}

/**
 * A wire from one spot of a part to another along the inside of its pieces, over the seams; straight where they lie
 * close together, or where there is no way over the foam, as in a pipe.
 */
export function wireRoute(part: Pick<PartReport, 'surfaces' | 'pieces'>, a: Vec3, b: Vec3): Route {
  const straight: Route = { mm: dist3(a, b), points: [a, b] };
  const ways = waysOf(part);
  if (ways.spots.length === 0) return straight;
  const [from, to] = [nearestSpot(ways, a), nearestSpot(ways, b)];
  const way = from === to ? undefined : shortest(ways, from, to);
  if (!way) return straight;
  return {
    mm: dist3(a, itemAt(ways.spots, from)) + way.mm + dist3(b, itemAt(ways.spots, to)),
    points: [a, ...way.points, b],
  };
}
