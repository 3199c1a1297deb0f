import { type Drawing, type DrawnLine, inside, type Point } from './readDrawing';

export interface Flat {
  ring: Point[];
  /** Bevels: the line they run down to, on which face, and how wide. */
  bevels: { line: DrawnLine; face: 'back' | 'front'; width: number; out: Point }[];
  folds: Fold[];
}

export interface Fold {
  a: Point;
  b: Point;
  deg: number;
  deep: number;
  open: number;
  face: 'back' | 'front';
  to: number;
}

export interface RuledPiece {
  id: string;
  thickness: number;
  flats: Flat[];
  /** Words that stand in it. */
  words: string[];
}

export const middle = (points: readonly Point[]): Point => ({
  x: points.reduce((s, p) => s + p.x, 0) / points.length,
  y: points.reduce((s, p) => s + p.y, 0) / points.length,
});

/** Away from the middle of a ring, square to a line. */
export function outward(ring: readonly Point[], a: Point, b: Point): Point {
  const size = Math.hypot(b.x - a.x, b.y - a.y);
  const n = { x: (b.y - a.y) / size, y: -(b.x - a.x) / size };
  const m = middle(ring);
  return (m.x - a.x) * n.x + (m.y - a.y) * n.y > 0 ? { x: -n.x, y: -n.y } : n;
}

export const beyond = (p: Point, a: Point, n: Point): number => (p.x - a.x) * n.x + (p.y - a.y) * n.y;

/** A ring without points it comes to twice over, and without ways out and straight back. */
function clean(ring: readonly Point[]): Point[] {
  const same = (p: Point, q: Point): boolean => Math.hypot(p.x - q.x, p.y - q.y) < 1e-3;
  let now = ring.filter((p, j) => !same(p, ring[(j + 1) % ring.length]!));
  for (let going = true; going && now.length > 3;) {
    const at = now.findIndex((_, j) =>
      same(now[(j + now.length - 1) % now.length]!, now[(j + 1) % now.length]!),
    );
    going = at >= 0;
    if (going) now = now.filter((_, j) => j !== at && j !== (at + 1) % now.length);
  }
  return now;
}

/** A ring parted by a chord: the part on either side of it. A chord that ends within the ring goes on to its nearest corner. */
function split(ring: readonly Point[], a: Point, b: Point): [Point[], Point[]] {
  /** The point of the ring a chord's end is at or goes on to, and how many points of the ring come before it. */
  const end = (p: Point): { before: number; via: Point[] } => {
    let [best, away] = [0, Infinity];
    ring.forEach((q, i) => {
      const r = ring[(i + 1) % ring.length]!;
      const [dx, dy] = [r.x - q.x, r.y - q.y];
      const t = Math.max(0, Math.min(1, ((p.x - q.x) * dx + (p.y - q.y) * dy) / (dx * dx + dy * dy || 1)));
      const d = Math.hypot(p.x - q.x - t * dx, p.y - q.y - t * dy);
      if (d < away - 1e-9) [best, away] = [i, d];
    });
    if (away < 0.02) return { before: best, via: [] };
    const corner = ring.reduce(
      (c, q, i) =>
        Math.hypot(p.x - q.x, p.y - q.y) < Math.hypot(p.x - ring[c]!.x, p.y - ring[c]!.y) ? i : c,
      0,
    );
    return { before: corner, via: [ring[corner]!] };
  };
  const [i, k] = [end(a), end(b)];
  const walk = (from: number, to: number): Point[] => {
    const found: Point[] = [];
    if (from === to) return found;
    for (let j = (from + 1) % ring.length; ; j = (j + 1) % ring.length) {
      found.push(ring[j]!);
      if (j === to) return found;
    }
  };
  return [
    clean([a, ...i.via, ...walk(i.before, k.before), ...k.via, b]),
    clean([b, ...k.via, ...walk(k.before, i.before), ...i.via, a]),
  ];
}

const FOLD =
  /^(?:\d+ × )?fold ([\d.]+)°: (?:groove|cut) on the (back|face),? ([\d.]+) deep(?:, ([\d.]+) open)?/;
const HEAT = /^(?:\d+ × )?fold ([\d.]+)°: heat the (back|face)/;

/** A piece as it stands in a drawing, with everything that lies in it. */
export function readPiece(drawing: Drawing, outline: DrawnLine, id: string, thickness: number): RuledPiece {
  const ring = outline.points;
  const near = (p: Point): boolean =>
    inside(ring, p) ||
    ring.some((q, i) => {
      const r = ring[(i + 1) % ring.length]!;
      const [dx, dy] = [r.x - q.x, r.y - q.y];
      const t = Math.max(0, Math.min(1, ((p.x - q.x) * dx + (p.y - q.y) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(p.x - q.x - t * dx, p.y - q.y - t * dy) < 0.05;
    });
  const own = (layer: string): DrawnLine[] =>
    drawing.lines.filter((l) => l.layer === layer && near(middle(l.points)) && l.points.every(near));
  const words = drawing.words.filter((w) => inside(ring, w.at));
  const nearestWords = (p: Point, match: RegExp): RegExpExecArray | undefined => {
    const found = words.flatMap((w) => {
      const m = match.exec(w.text);
      return m ? [{ m, d: Math.hypot(w.at.x - p.x, w.at.y - p.y) }] : [];
    });
    return found.sort((a, b) => a.d - b.d)[0]?.m;
  };
  // Folds part the outline into flats.
  const folds = own('fold').filter((l) => l.points.length === 2);
  let flats: Flat[] = [{ ring: [...ring], bevels: [], folds: [] }];
  for (const { points } of folds) {
    const [a, b] = points as [Point, Point];
    const m = middle(points);
    const host = flats.find((f) => inside(f.ring, m)) ?? flats[0]!;
    const [one, other] = split(host.ring, a, b);
    flats = flats.filter((f) => f !== host);
    flats.push({ ring: one, bevels: [], folds: [] }, { ring: other, bevels: [], folds: [] });
  }
  const on = (f: Flat, a: Point, b: Point): boolean =>
    [a, b].every((p) => f.ring.some((q) => Math.hypot(p.x - q.x, p.y - q.y) < 0.01));
  for (const { points } of folds) {
    const [a, b] = points as [Point, Point];
    const sides = flats.flatMap((f, i) => (on(f, a, b) ? [i] : []));
    if (sides.length !== 2) continue;
    const cut = nearestWords(middle(points), FOLD);
    const heat = cut ? undefined : nearestWords(middle(points), HEAT);
    const reported = cut ?? heat;
    if (!reported) throw new Error(`a fold of ${id} says nothing of itself`);
    const fold = {
      a,
      b,
      deg: Number(reported[1]),
      face: reported[2] === 'back' ? ('back' as const) : ('front' as const),
      deep: cut ? Number(cut[3]) : 0,
      open: cut?.[4] === undefined ? 0 : Number(cut[4]),
    };
    flats[sides[0]!]!.folds.push({ ...fold, to: sides[1]! });
    flats[sides[1]!]!.folds.push({ ...fold, to: sides[0]! });
  }
  const bevelLines = (['back', 'front'] as const).flatMap((face) =>
    own(`bevel-${face}`).map((line) => ({ line, face })),
  );
  for (const { line, face } of bevelLines) {
    const [a, b] = [line.points[0]!, line.points.at(-1)!];
    const m = middle([a, b]);
    const flat = flats.find((f) => inside(f.ring, m)) ?? flats[0]!;
    const out = outward(flat.ring, a, b);
    // To the edge that runs beside it: the furthest that is parallel.
    const width = Math.max(
      ...flat.ring.flatMap((p, i): number[] => {
        const q = flat.ring[(i + 1) % flat.ring.length]!;
        const size = Math.hypot(q.x - p.x, q.y - p.y);
        const across = Math.abs((q.x - p.x) * out.x + (q.y - p.y) * out.y) / size;
        return size > 2 && across < 5e-3 ? [beyond(middle([p, q]), a, out)] : [];
      }),
    );
    flat.bevels.push({ line, face, width, out });
  }
  return { id, thickness, flats, words: words.map((w) => w.text) };
}
