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
    const mm = dist3(ways.spots[a]!, ways.spots[b]!);
    ways.next[a]!.push({ to: b, mm });
    ways.next[b]!.push({ to: a, mm });
  };
  surfaces.forEach(({ grid, flat, pieceId, loose }, s) => {
    if (loose) return;
    const outline = pieces.find((p) => p.id === pieceId)?.outline;
    const [rows, columns] = [picked(grid.length), picked(grid[0]!.length)];
    const at = new Map<string, number>();
    rows.forEach((r, i) =>
      columns.forEach((c, j) => {
        // Of a piece cut out of its box, what lies off the foam is no way.
        const f = flat[r]?.[c];
        if (outline && f && !contains(outline, f) && !onEdge(i, j, rows.length, columns.length)) return;
        at.set(`${i}/${j}`, ways.spots.length);
        ways.spots.push(grid[r]![c]!);
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
      if (mm <= SEAM_MM && mm < (nearest.get(pieceOf[b]!)?.mm ?? Infinity))
        nearest.set(pieceOf[b]!, { b, mm });
    });
    for (const { b } of nearest.values()) link(a, b);
  });
  known.set(surfaces, ways);
  return ways;
}

const onEdge = (i: number, j: number, rows: number, columns: number): boolean =>
  i === 0 || j === 0 || i === rows - 1 || j === columns - 1;

const nearestSpot = ({ spots }: Ways, p: Vec3): number =>
  spots.reduce((best, q, i) => (dist3(p, q) < dist3(p, spots[best]!) ? i : best), 0);

/** Spots by how near they are, nearest first out (a binary heap). */
class Nearest {
  private heap: { at: number; mm: number }[] = [];

  get size(): number {
    return this.heap.length;
  }

  add(at: number, mm: number): void {
    const { heap } = this;
    let i = heap.push({ at, mm }) - 1;
    while (i > 0 && heap[(i - 1) >> 1]!.mm > heap[i]!.mm) {
      const up = (i - 1) >> 1;
      [heap[i], heap[up]] = [heap[up]!, heap[i]!];
      i = up;
    }
  }

  take(): { at: number; mm: number } {
    const { heap } = this;
    const first = heap[0]!;
    const last = heap.pop()!;
    if (heap.length === 0) return first;
    heap[0] = last;
    for (let i = 0; ;) {
      const [l, r] = [2 * i + 1, 2 * i + 2];
      let least = i;
      if (l < heap.length && heap[l]!.mm < heap[least]!.mm) least = l;
      if (r < heap.length && heap[r]!.mm < heap[least]!.mm) least = r;
      if (least === i) return first;
      [heap[i], heap[least]] = [heap[least]!, heap[i]!];
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
    if (mm > best[at]!) continue;
    for (const hop of next[at]!) {
      const way = mm + hop.mm;
      if (way >= best[hop.to]!) continue;
      best[hop.to] = way;
      before[hop.to] = at;
      open.add(hop.to, way);
    }
  }
  if (!Number.isFinite(best[to]!)) return undefined;
  const points: Vec3[] = [];
  for (let at = to; at >= 0; at = before[at]!) points.unshift(spots[at]!);
  return { mm: best[to]!, points };
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
    mm: dist3(a, ways.spots[from]!) + way.mm + dist3(b, ways.spots[to]!),
    points: [a, ...way.points, b],
  };
}
