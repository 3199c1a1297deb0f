import { dist2, triangulated, type Vec2 } from '../../geometry';

const cross = (a: Vec2, b: Vec2, c: Vec2): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

const dot = (a: Vec2, b: Vec2, c: Vec2): number => (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y);

/** A corner that turns out of line by less than this, mm², is level: rounding of a merged edge. */
const LEVEL_MM2 = 1e-9;

/** How far a point is from the line through two others, mm. */
const offLine = (a: Vec2, b: Vec2, p: Vec2): number =>
  Math.abs(cross(a, b, p)) / Math.max(1e-12, dist2(a, b));

/** Where the line through two points meets that through two others; nothing where they hardly do. */
function meeting(a: Vec2, b: Vec2, c: Vec2, d: Vec2): Vec2 | undefined {
  const turn = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  if (Math.abs(turn) < 1e-6 * dist2(a, b) * dist2(c, d)) return undefined;
  const t = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / turn;
  return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
}

/** An edge of a ring being simplified: from a corner to the next, with how far the true outline lies under it, mm. */
interface Corner {
  p: Vec2;
  under: number;
}

/** The corner at `i` and the next ones round. */
const corners = (ring: readonly Corner[], i: number, count: number): Corner[] =>
  Array.from({ length: count }, (_, k) => ring[(i + k + ring.length) % ring.length]!);

/** What it costs to fill the notch at a corner, where it turns right, mm. */
function notch(ring: readonly Corner[], i: number): number {
  const [a, b, c] = corners(ring, i - 1, 3) as [Corner, Corner, Corner];
  return cross(a.p, b.p, c.p) >= 0 ? Infinity : offLine(a.p, c.p, b.p) + Math.max(a.under, b.under);
}

/** The corner that the edge from `i` comes to when the edges on both sides of it are drawn on, and how far out, mm. */
function bulge(ring: readonly Corner[], i: number): { p: Vec2; deep: number } | undefined {
  const [a, b, c, d] = corners(ring, i - 1, 4) as [Corner, Corner, Corner, Corner];
  if (cross(a.p, b.p, c.p) <= 0 || cross(b.p, c.p, d.p) <= 0) return undefined;
  // At a sharp corner it would go on far.
  if (dot(a.p, b.p, c.p) <= 0 || dot(b.p, c.p, d.p) <= 0) return undefined;
  const p = meeting(a.p, b.p, c.p, d.p);
  // Drawn on forwards, and not to the other side.
  if (!p || cross(b.p, c.p, p) >= 0) return undefined;
  return { p, deep: offLine(b.p, c.p, p) + Math.max(a.under, b.under, c.under) };
}

/**
 * A simpler ring round another, which goes out of it by no more than `mostMm`: shallow notches are filled, and short
 * edges of round corners give way to their neighbours drawn on. The solid is left of every edge; none of it is lost.
 */
export function simplerRound(ring: readonly Vec2[], mostMm: number): Vec2[] {
  let kept: Corner[] = ring.map((p) => ({ p, under: 0 }));
  while (kept.length > 3) {
    let least = { i: -1, deep: mostMm, p: undefined as Vec2 | undefined };
    for (let i = 0; i < kept.length; i++) {
      const filled = notch(kept, i);
      if (filled < least.deep) least = { i, deep: filled, p: undefined };
      const drawn = bulge(kept, i);
      if (drawn && drawn.deep < least.deep) least = { i, ...drawn };
    }
    const { i, deep, p } = least;
    if (i < 0) break;
    const [before, own, next] = corners(kept, i - 1, 3) as [Corner, Corner, Corner];
    before.under = Math.max(before.under, deep);
    if (p) {
      own.p = p;
      own.under = Math.max(next.under, deep);
      kept = kept.filter((k) => k !== next);
    } else kept = kept.filter((k) => k !== own);
  }
  return kept.map((k) => k.p);
}

/**
 * Convex parts that together are the solid: triangles, joined across whatever leaves both ends convex (Hertel and
 * Mehlhorn, 1983).
 * @param rings the outer one anticlockwise, holes clockwise.
 * @returns anticlockwise.
 */
export function convexParts(rings: readonly (readonly Vec2[])[]): Vec2[][] {
  const { points, triangles } = triangulated(rings.map((ring) => [...ring]));
  const parts = new Map<number, number[]>(triangles.map((t, i) => [i, [...t]]));
  /** Which part lies left of an edge from one point to another. */
  const left = new Map<string, number>();
  const tell = (id: number, part: readonly number[]): void =>
    part.forEach((a, i) => left.set(`${a},${part[(i + 1) % part.length]!}`, id));
  parts.forEach((part, id) => tell(id, part));
  const at = (i: number): Vec2 => points[i]!;
  // The longest edges first: what they part is widest.
  const inner = [...left.keys()]
    .map((key) => key.split(',').map(Number) as [number, number])
    .filter(([a, b]) => a < b && left.has(`${b},${a}`))
    .sort((p, q) => dist2(at(q[0]), at(q[1])) - dist2(at(p[0]), at(p[1])));
  for (const [a, b] of inner) {
    const [own, other] = [left.get(`${a},${b}`)!, left.get(`${b},${a}`)!];
    if (own === other) continue;
    const [p, q] = [parts.get(own)!, parts.get(other)!];
    // Both begun where the edge ends: round the one from b to a, then round the other from a to b.
    const i = p.indexOf(b);
    const k = q.indexOf(a);
    const joined = [...p.slice(i), ...p.slice(0, i)].concat([...q.slice(k), ...q.slice(0, k)].slice(1, -1));
    const n = joined.length;
    if (
      joined.some(
        (_, m) => cross(at(joined[m]!), at(joined[(m + 1) % n]!), at(joined[(m + 2) % n]!)) < -LEVEL_MM2,
      )
    )
      continue;
    parts.delete(other);
    parts.set(own, joined);
    tell(own, joined);
  }
  return [...parts.values()].map((part) => part.map(at));
}
