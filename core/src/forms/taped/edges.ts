import { itemAt, firstOf, lastOf } from '../../units';
import { dist2, type Vec2 } from '../../geometry';
import { sharpCorners } from '../../panel';
import { drawnOutline, type Node } from '../../outline';

/** A run of an outline between two corners, both among its points. */
export interface DrawnEdge {
  /** From 1, counter-clockwise from the first corner at or after the first point. */
  number: number;
  run: Vec2[];
  lengthMm: number;
}

const lengthOf = (run: readonly Vec2[]): number =>
  run.slice(1).reduce((sum, p, i) => sum + dist2(p, itemAt(run, i)), 0);

/** The outline of drawn nodes, counter-clockwise, begun at the point drawn first. */
export function begunOutline(nodes: readonly Node[]): { outline: Vec2[]; crosses: boolean } {
  const { outline, crosses } = drawnOutline(nodes);
  const first = { x: firstOf(nodes).xMm, y: firstOf(nodes).yMm };
  const from = outline.reduce(
    (best, p, i) => (dist2(p, first) < dist2(itemAt(outline, best), first) ? i : best),
    0,
  );
  return { outline: [...outline.slice(from), ...outline.slice(0, from)], crosses };
}

/** Edges of an outline, as the piece that is cut by it numbers them. */
export function edgesOfOutline(outline: readonly Vec2[]): DrawnEdge[] {
  const n = outline.length;
  const sharp = sharpCorners(outline);
  if (sharp.length < 2) return [];
  return sharp.map((from, k) => {
    const to = itemAt(sharp, (k + 1) % sharp.length);
    const steps = (to - from + n) % n || n;
    const run = Array.from({ length: steps + 1 }, (_, i) => itemAt(outline, (from + i) % n));
    return { number: k + 1, run, lengthMm: lengthOf(run) };
  });
}

/** A drawing grown or shrunk about its middle by a factor either way. */
export function scaledNodes<N extends Node>(nodes: readonly N[], across: number, up: number): N[] {
  const mean = (of: (n: N) => number): number => nodes.reduce((sum, n) => sum + of(n), 0) / nodes.length;
  const [x, y] = [mean((n) => n.xMm), mean((n) => n.yMm)];
  return nodes.map((n) => ({ ...n, xMm: x + (n.xMm - x) * across, yMm: y + (n.yMm - y) * up }));
}

/**
 * What a pattern taken at one layer measures at another, round a bend: its girth and the turn times the distance between
 * them (parallel curves: Steiner). The drawing is scaled across and upwards so that its box follows.
 */
export function atLayer<N extends Node>(
  nodes: readonly N[],
  { bendsDeg, bendsUpDeg }: { bendsDeg: number; bendsUpDeg: number },
  outMm: number,
): N[] {
  const { outline } = drawnOutline(nodes);
  const span = (of: (p: Vec2) => number): number =>
    Math.max(1, Math.max(...outline.map(of)) - Math.min(...outline.map(of)));
  const factor = (mm: number, deg: number): number =>
    Math.max(0.2, 1 + (((deg * Math.PI) / 180) * outMm) / mm);
  return scaledNodes(
    nodes,
    factor(
      span((p) => p.x),
      bendsDeg,
    ),
    factor(
      span((p) => p.y),
      bendsUpDeg,
    ),
  );
}

/** The node nearest to a point of the outline. */
const nodeAt = (nodes: readonly Node[], p: Vec2): number =>
  nodes.reduce(
    (best, n, i) =>
      dist2({ x: n.xMm, y: n.yMm }, p) < dist2({ x: itemAt(nodes, best).xMm, y: itemAt(nodes, best).yMm }, p)
        ? i
        : best,
    0,
  );

const ROUNDS = 12;

/**
 * A drawing with one of its edges made as long as asked, both its ends moved alike along the line they end in. The
 * edges beside it turn a little about their far corners.
 */
export function withEdge<N extends Node>(nodes: readonly N[], edge: number, wantedMm: number): N[] {
  const count = edgesOfOutline(begunOutline(nodes).outline).length;
  let now = nodes.map((n) => ({ ...n }));
  let good = now;
  for (let round = 0; round < ROUNDS; round++) {
    const edges = edgesOfOutline(begunOutline(now).outline);
    const found = edges[edge - 1];
    // A corner that was straightened away would make it another edge.
    if (!found || edges.length !== count) return good;
    good = now;
    const more = wantedMm - found.lengthMm;
    if (Math.abs(more) < 0.01) return now;
    const { run } = found;
    const ends = [
      { at: firstOf(run), from: itemAt(run, 1) },
      { at: lastOf(run), from: run.at(-2)! },
    ];
    const picks = ends.map(({ at }) => nodeAt(now, at));
    // A ring whose edge ends where it began has no two ends to move.
    if (picks[0] === picks[1]) return [...nodes];
    now = now.map((n, i) => {
      const k = picks.indexOf(i);
      if (k < 0) return n;
      const { at, from } = itemAt(ends, k);
      const size = dist2(at, from) || 1;
      const by = more / 2 / size;
      return {
        ...n,
        xMm: Math.round((n.xMm + (at.x - from.x) * by) * 100) / 100,
        yMm: Math.round((n.yMm + (at.y - from.y) * by) * 100) / 100,
      };
    });
  }
  return good;
}
