import { itemAt, lastOf } from '../../units';
import { distanceToEdge, type Vec2 } from '../../geometry';
import { type Node, nodeLine } from '../../outline';

/** A line that turns further than this where two runs meet has a corner there, degrees. */
const CORNER_DEG = 28;
/** A curve is taken only where so many nodes or more draw it otherwise, and of no more than those; where more than so many do, it is a ragged edge and no curve. */
const LEAST = 4;
const MOST = 60;
/** A curve between nodes is looked at where it was traced, and a little more may be lost between those spots. */
const BETWEEN = 1.5;

/** A node, and which of the traced points it is. */
export interface FittedNode extends Node {
  of: number;
}

const at = ({ xMm, yMm }: Node): Vec2 => ({ x: xMm, y: yMm });

/** How far the line through nodes turns at each of them, degrees, by the points drawn just before and after it. */
function turns(nodes: readonly FittedNode[]): number[] {
  const line = nodeLine(nodes);
  return nodes.map((node) => {
    const p = at(node);
    const k = line.reduce(
      (best, q, i) =>
        Math.hypot(q.x - p.x, q.y - p.y) < Math.hypot(itemAt(line, best).x - p.x, itemAt(line, best).y - p.y)
          ? i
          : best,
      0,
    );
    const [a, b] = [itemAt(line, (k + line.length - 1) % line.length), itemAt(line, (k + 1) % line.length)];
    const turn = Math.atan2(
      (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
      (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
    );
    return (Math.abs(turn) * 180) / Math.PI;
  });
}

/** Whether a drawing keeps to the traced points from one to another, and they to it. */
function keepsTo(
  nodes: readonly Node[],
  ring: readonly Vec2[],
  from: number,
  to: number,
  withinMm: number,
): boolean {
  const line = nodeLine(nodes);
  for (let k = from; k <= to; k++)
    if (distanceToEdge(line, itemAt(ring, k % ring.length)) > withinMm) return false;
  return line.every((p) => distanceToEdge(ring, p) <= BETWEEN * withinMm);
}

/** So many of the traced points between two, evenly along the line. */
function spread(ring: readonly Vec2[], from: number, to: number, count: number): number[] {
  const lengths = [0];
  for (let k = from + 1; k <= to; k++) {
    const [p, q] = [itemAt(ring, (k - 1) % ring.length), itemAt(ring, k % ring.length)];
    lengths.push(lastOf(lengths) + Math.hypot(q.x - p.x, q.y - p.y));
  }
  return Array.from({ length: count }, (_, i) => {
    // Half as far from the ends, where a curve has no neighbour beyond to be led by.
    const want = (lastOf(lengths) * (i + 0.5)) / count;
    return (
      from +
      Math.max(
        1,
        Math.min(
          to - from - 1,
          lengths.findIndex((mm) => mm >= want),
        ),
      )
    );
  }).filter((k, i, all) => k > from && k < to && all.indexOf(k) === i);
}

/**
 * A fitted drawing with each run between two corners that several lines and arcs draw drawn by smooth nodes instead,
 * where no more of those keep within the tolerance of the traced points: nothing kinks there.
 */
export function smoothed(
  nodes: readonly FittedNode[],
  ring: readonly Vec2[],
  withinMm: number,
): FittedNode[] {
  const n = ring.length;
  const turn = turns(nodes);
  const isCorner = (i: number): boolean => itemAt(nodes, i).node !== 'arc' && itemAt(turn, i) > CORNER_DEG;
  const corners = nodes.flatMap((_, i) => (isCorner(i) ? [i] : []));
  // A line without any corner is drawn smooth from where it begins, and round to there.
  const ends = corners.length > 0 ? corners : [0];
  let now = [...nodes];
  for (const [k, first] of ends.entries()) {
    const last = itemAt(ends, (k + 1) % ends.length);
    const [a, b] = [itemAt(nodes, first), itemAt(nodes, last)];
    const between = now.filter(
      ({ of }) =>
        (of - a.of + n) % n > 0 && (ends.length === 1 || (of - a.of + n) % n < (b.of - a.of + n) % n),
    );
    if (between.length < LEAST || between.length > MOST) continue;
    const to = a.of + ((b.of - a.of + n) % n || n);
    for (let count = 1; count <= between.length; count++) {
      const run = spread(ring, a.of, to, count).map((i): FittedNode => {
        const { x, y } = itemAt(ring, i % n);
        return { xMm: round(x), yMm: round(y), node: 'smooth', of: i % n };
      });
      const begin = now.findIndex((m) => m.of === a.of);
      const rest = [...now.slice(begin + 1), ...now.slice(0, begin)].filter((m) => !between.includes(m));
      const start: FittedNode =
        corners.length > 0 ? itemAt(now, begin) : { ...itemAt(now, begin), node: 'smooth' };
      const tried = [start, ...run, ...rest];
      if (tried.length >= 3 && keepsTo(tried, ring, a.of, to, withinMm)) {
        now = tried;
        break;
      }
    }
  }
  return now;
}

const round = (mm: number): number => Math.round(mm * 100) / 100;
