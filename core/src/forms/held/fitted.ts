import { itemAt, lastOf } from '../../units';
import { dist2, type Vec2 } from '../../geometry';
import type { Node } from '../../outline';
import { type FittedNode, smoothed } from './smoothed';

/** An arc is taken only where it does the work of so many straight runs, and is no flatter than this, mm of sagitta. */
const ARC_GAIN = 1.6;
const FLATTEST = 2;
/** Points of an arc at the least, both ends among them. */
const ARC_POINTS = 5;
/** Where so many longer and longer arcs do not fit, none is looked for further on. */
const MISSES = 24;

const fromLine = (p: Vec2, a: Vec2, b: Vec2): number => {
  const size = dist2(a, b);
  return size < 1e-9 ? dist2(p, a) : Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / size;
};

/** The circle through three points; none when they are in line. */
function circle(a: Vec2, b: Vec2, c: Vec2): { at: Vec2; r: number } | undefined {
  const [bx, by, cx, cy] = [b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y];
  const twice = 2 * (bx * cy - by * cx);
  if (Math.abs(twice) < 1e-6) return undefined;
  const x = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / twice;
  const y = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / twice;
  return { at: { x: a.x + x, y: a.y + y }, r: Math.hypot(x, y) };
}

/** A closed outline of points as a list that can be walked on past its end. */
interface Ring {
  n: number;
  at: (i: number) => Vec2;
}

const ringOf = (outline: readonly Vec2[]): Ring => ({
  n: outline.length,
  at: (i) => itemAt(outline, ((i % outline.length) + outline.length) % outline.length),
});

/** The farthest point that a straight line from `from` reaches with all between within a tolerance. */
function lineReach({ at }: Ring, from: number, to: number, withinMm: number): number {
  let best = from + 1;
  for (let e = from + 2; e <= to; e++) {
    for (let k = from + 1; k < e; k++) if (fromLine(at(k), at(from), at(e)) > withinMm) return best;
    best = e;
  }
  return best;
}

/** The point of a run nearest to half of its length. */
function halfway({ at }: Ring, from: number, to: number): number {
  const runs: number[] = [0];
  for (let k = from + 1; k <= to; k++) runs.push(lastOf(runs) + dist2(at(k - 1), at(k)));
  const half = lastOf(runs) / 2;
  let best = 1;
  runs.forEach((mm, k) => {
    if (k > 0 && k < runs.length - 1 && Math.abs(mm - half) < Math.abs(itemAt(runs, best) - half)) best = k;
  });
  return from + best;
}

/** The farthest point that an arc from `from` reaches, and the point it runs through. */
function arcReach(
  ring: Ring,
  from: number,
  to: number,
  withinMm: number,
): { end: number; through: number } | undefined {
  let best: { end: number; through: number } | undefined;
  let misses = 0;
  for (let e = from + ARC_POINTS - 1; e <= to; e++) {
    const through = halfway(ring, from, e);
    const round = circle(ring.at(from), ring.at(through), ring.at(e));
    if (!round || fromLine(ring.at(through), ring.at(from), ring.at(e)) < FLATTEST * withinMm) continue;
    let fits = true;
    for (let k = from; k < e && fits; k++) {
      const [p, q] = [ring.at(k), ring.at(k + 1)];
      const middle = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
      fits =
        Math.abs(dist2(p, round.at) - round.r) <= withinMm &&
        Math.abs(dist2(middle, round.at) - round.r) <= 1.5 * withinMm;
    }
    if (!fits) {
      misses += 1;
      if (best || misses > MISSES) break;
      continue;
    }
    best = { end: e, through };
  }
  return best;
}

/** The sharpest corner of an outline: where drawing begins, so that no run is broken in its middle. */
function sharpest({ n, at }: Ring): number {
  let best = 0;
  let most = -1;
  for (let i = 0; i < n; i++) {
    const [a, p, b] = [at(i - 1), at(i), at(i + 1)];
    const turn = Math.abs(
      Math.atan2(
        (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
        (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
      ),
    );
    if (turn > most) [best, most] = [i, turn];
  }
  return best;
}

/** Straight lines between corners, and arcs of circles where one does the work of several lines. */
function linesAndArcs(outline: readonly Vec2[], withinMm: number): FittedNode[] {
  const ring = ringOf(outline);
  const first = sharpest(ring);
  const last = first + ring.n;
  const nodes: FittedNode[] = [];
  const put = (i: number, node: Node['node']): void => {
    const { x, y } = ring.at(i);
    nodes.push({ xMm: Math.round(x * 100) / 100, yMm: Math.round(y * 100) / 100, node, of: i % ring.n });
  };
  for (let at = first; at < last;) {
    put(at, 'corner');
    const line = lineReach(ring, at, last, withinMm);
    const arc = arcReach(ring, at, last, withinMm);
    if (arc && arc.end - at > ARC_GAIN * (line - at)) {
      put(arc.through, 'arc');
      at = arc.end;
    } else at = line;
  }
  return nodes;
}

/**
 * A traced outline drawn in as few nodes as a greedy walk finds: straight lines between corners, arcs of circles where
 * one does the work of several lines, and smooth curves where no more nodes of those do it without a kink; all within a
 * tolerance of the traced points.
 */
export function fittedNodes(outline: readonly Vec2[], withinMm: number): Node[] {
  if (outline.length < 3) return outline.map(({ x, y }) => ({ xMm: x, yMm: y, node: 'corner' }));
  return smoothed(linesAndArcs(outline, withinMm), outline, withinMm).map(({ xMm, yMm, node }) => ({
    xMm,
    yMm,
    node,
  }));
}

/** The same in no more nodes than a drawing holds: the tolerance is widened as far as it takes. */
export function fittedWithin(outline: readonly Vec2[], withinMm: number, most: number): Node[] {
  for (let mm = withinMm; ; mm *= 1.5) {
    const nodes = fittedNodes(outline, mm);
    if (nodes.length <= most || mm > 100) return nodes.slice(0, most);
  }
}
