import { dist2, distanceToEdge, sub2, thinned, type Vec2 } from '../geometry';
import { itemAt } from '../units';

/** An edge is long enough to be trusted from so many pixels on; as many of shorter ones may lie between two at their corner. */
const LONG_PX = 18;
const CORNER_PX = 16;
/** What is straight within so many pixels is one edge. */
const STRAIGHT_PX = 1;
/** Next to a corner smoothing bends an edge, so many pixels far. */
const BENT_PX = 4;
/** A corner is put back only so far, pixels: a round one stays round. */
const FAR_PX = 3;
/** An edge that bows by more than this from end to end is no straight one, pixels. */
const BOW_PX = 0.2;
/** Edges that meet flatter than this have no sharp corner. */
const LEAST_TURN = 0.3;

interface Line {
  at: Vec2;
  way: Vec2;
}

/** The line nearest to some points: through their middle, along their main axis. */
function lineThrough(points: readonly Vec2[]): Line {
  const n = points.length;
  const at = {
    x: points.reduce((s, p) => s + p.x, 0) / n,
    y: points.reduce((s, p) => s + p.y, 0) / n,
  };
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    const d = sub2(p, at);
    xx += d.x * d.x;
    xy += d.x * d.y;
    yy += d.y * d.y;
  }
  const turn = Math.atan2(2 * xy, xx - yy) / 2;
  return { at, way: { x: Math.cos(turn), y: Math.sin(turn) } };
}

/** How far points bow off a line from end to end: the height of the parabola nearest to them. */
function bowOf({ at, way }: Line, points: readonly Vec2[]): number {
  const n = points.length;
  const along = points.map((p) => (p.x - at.x) * way.x + (p.y - at.y) * way.y);
  const off = points.map((p) => (p.y - at.y) * way.x - (p.x - at.x) * way.y);
  const squares = along.map((t) => t * t);
  const mean = squares.reduce((a, b) => a + b, 0) / n;
  const spread = squares.reduce((sum, s) => sum + (s - mean) ** 2, 0);
  const shared = squares.reduce((sum, s, i) => sum + (s - mean) * itemAt(off, i), 0);
  return (Math.abs(shared) / Math.max(spread, 1e-12)) * Math.max(...squares);
}

function meet(a: Line, b: Line): Vec2 | undefined {
  const cross = a.way.x * b.way.y - a.way.y * b.way.x;
  if (Math.abs(cross) < Math.sin(LEAST_TURN)) return undefined;
  const d = sub2(b.at, a.at);
  const t = (d.x * b.way.y - d.y * b.way.x) / cross;
  return { x: a.at.x + t * a.way.x, y: a.at.y + t * a.way.y };
}

/**
 * A ring with the corners that smoothing has rounded put back where the straight edges on either side of them meet.
 * @param traced point by point, as it was traced; @param pxMm size of a pixel.
 */
export function withSharpCorners(traced: readonly Vec2[], pxMm: number): Vec2[] {
  const ring = fromCorner(traced);
  const rough = thinned([...ring], ring.length, STRAIGHT_PX * pxMm).ring;
  const count = rough.length;
  const place = rough.map((p) => ring.indexOf(p));
  const lengths = rough.map((p, i) => dist2(p, itemAt(rough, (i + 1) % count)));
  const lines = rough.map((p, i): Line | undefined => {
    if (itemAt(lengths, i) < LONG_PX * pxMm) return undefined;
    const q = itemAt(rough, (i + 1) % count);
    const bent = BENT_PX * pxMm;
    const on = between(ring, itemAt(place, i), itemAt(place, (i + 1) % count)).filter(
      (r) => dist2(r, p) > bent && dist2(r, q) > bent,
    );
    const line = on.length < 5 ? undefined : lineThrough(on);
    return line && bowOf(line, on) <= BOW_PX * pxMm ? line : undefined;
  });
  const corners: { at: Vec2; from: number; to: number }[] = [];
  lines.forEach((line, i) => {
    if (!line) return;
    // From the end of a long edge over short ones to the next long edge.
    let to = (i + 1) % count;
    for (let short = 0; !lines[to]; to = (to + 1) % count) {
      short += itemAt(lengths, to);
      if (short > CORNER_PX * pxMm) return;
    }
    const at = meet(line, lines[to]!);
    if (at && distanceToEdge(ring, at) <= FAR_PX * pxMm)
      corners.push({ at, from: itemAt(place, (i + 1) % count), to: itemAt(place, to) });
  });
  const gone = new Uint8Array(ring.length);
  const bent = BENT_PX * pxMm;
  const cornerAt = new Map<number, Vec2>();
  for (const { at, from, to } of corners) {
    let k = from;
    while (dist2(itemAt(ring, k), itemAt(ring, from)) < bent) k = (k + ring.length - 1) % ring.length;
    let end = to;
    while (dist2(itemAt(ring, end), itemAt(ring, to)) < bent) end = (end + 1) % ring.length;
    for (k = (k + 1) % ring.length; k !== end; k = (k + 1) % ring.length) gone[k] = 1;
    cornerAt.set(from, at);
  }
  return fromCorner(ring.flatMap((p, i) => cornerAt.get(i) ?? (gone[i] ? [] : p)));
}

/** The ring begun at the point furthest from its first, which is no point along a straight edge. */
function fromCorner(ring: readonly Vec2[]): Vec2[] {
  const first = itemAt(ring, 0);
  const far = ring.reduce((best, p, i) => (dist2(p, first) > dist2(itemAt(ring, best), first) ? i : best), 0);
  return [...ring.slice(far), ...ring.slice(0, far)];
}

/** Points of a ring from one to another, as it runs. */
const between = (ring: readonly Vec2[], from: number, to: number): Vec2[] =>
  from <= to ? ring.slice(from, to + 1) : [...ring.slice(from), ...ring.slice(0, to + 1)];
