import { itemAt, firstOf, lastOf } from '../units';
import { edgeRun, type Mark, type Piece, type PieceEdge } from '../panel';
import { boundsOf, centroid, dist2, lerp2, type Vec2 } from '../geometry';
import type { Layer, Shape } from './shape';

/**
 * How every kind of mark is drawn, on the bench, in files and in the legend alike. They differ in shape, not only in
 * the look of their lines.
 */

const line = (layer: Layer, points: Vec2[], closed = false): Shape => ({
  kind: 'line',
  layer,
  points,
  closed,
});

/** Strokes across a line, so far apart and so long. */
function ticks(layer: Layer, points: readonly Vec2[], everyMm: number, longMm: number): Shape[] {
  const found: Shape[] = [];
  let left = everyMm / 2;
  points.slice(1).forEach((b, i) => {
    const a = itemAt(points, i);
    const size = dist2(a, b);
    const across = size === 0 ? { x: 0, y: 0 } : { x: -(b.y - a.y) / size, y: (b.x - a.x) / size };
    let at = left;
    for (; at <= size; at += everyMm) {
      const p = lerp2(a, b, at / size);
      const end = (side: number): Vec2 => ({
        x: p.x + (side * across.x * longMm) / 2,
        y: p.y + (side * across.y * longMm) / 2,
      });
      found.push(line(layer, [end(-1), end(1)]));
    }
    left = at - size;
  });
  return found;
}

/** A wedge with hatching between its legs. */
function hatched([a, tip, b]: readonly Vec2[]): Shape[] {
  const steps = Math.max(2, Math.floor(dist2(a!, tip!) / 6));
  return [
    line('dart', [a!, tip!, b!]),
    ...Array.from({ length: steps }, (_, i) =>
      line('dart', [lerp2(a!, tip!, i / steps), lerp2(b!, tip!, i / steps)]),
    ),
  ];
}

const NOTCH_MM = 6;
const NOTCH_HALF_MM = 2;

/** Square to the outline at the point of it nearest to a spot, into the piece. */
export function inwardsAt({ outline }: Pick<Piece, 'outline'>, at: Vec2): Vec2 {
  let [best, away] = [0, Infinity];
  outline.forEach((p, i) => {
    const q = itemAt(outline, (i + 1) % outline.length);
    const size = dist2(p, q);
    if (size < 1e-6) return;
    const t = Math.min(1, Math.max(0, ((at.x - p.x) * (q.x - p.x) + (at.y - p.y) * (q.y - p.y)) / size ** 2));
    const off = dist2(at, lerp2(p, q, t));
    if (off < away - 1e-9) [best, away] = [i, off];
  });
  const [p, q] = [itemAt(outline, best), itemAt(outline, (best + 1) % outline.length)];
  const size = dist2(p, q) || 1;
  // The outline runs counter-clockwise: the piece lies to the left.
  return { x: -(q.y - p.y) / size, y: (q.x - p.x) / size };
}

/** A V that points from the edge inwards, and where its letter stands beyond. */
function notch(at: Vec2, to: Vec2): { v: Shape; letterAt: Vec2 } {
  const spot = (deep: number, aside: number): Vec2 => ({
    x: at.x + to.x * deep - to.y * aside,
    y: at.y + to.y * deep + to.x * aside,
  });
  return {
    v: line('notch', [spot(0, -NOTCH_HALF_MM), spot(NOTCH_MM, 0), spot(0, NOTCH_HALF_MM)]),
    letterAt: spot(NOTCH_MM + 5, 0),
  };
}

/** Corner to corner across the box of an outline. */
function crossed(layer: Layer, points: readonly Vec2[]): Shape[] {
  const b = boundsOf(points);
  return [
    line(layer, [...points], true),
    line(layer, [
      { x: b.minX, y: b.minY },
      { x: b.maxX, y: b.maxY },
    ]),
  ];
}

function drawn(mark: Mark): Shape[] {
  switch (mark.kind) {
    case 'score':
      return [line('score', mark.points), ...ticks('score', mark.points, 20, 3)];
    case 'dart':
      return hatched(mark.points);
    case 'pad':
      return crossed('pad', mark.points);
    case 'slot':
      return [line('hole', mark.points, true)];
    case 'pocket':
    case 'rivet':
      return [line(mark.kind, mark.points, true)];
    case 'bevel':
      return [
        line(
          mark.bevel?.face === 'front' ? 'bevel-front' : 'bevel-back',
          mark.points,
          mark.bevel?.ring ?? false,
        ),
      ];
    case 'groove':
    case 'fold':
    case 'glue':
      return [line(mark.kind, mark.points)];
    case 'notch':
      return [];
  }
}

/** A mark without its words. */
export const markLines = (piece: Pick<Piece, 'outline'>, mark: Mark): Shape[] =>
  mark.kind === 'notch'
    ? [notch(firstOf(mark.points), inwardsAt(piece, firstOf(mark.points))).v]
    : drawn(mark);

/** A mark and the words beside it, for the bench. */
export function markShapes(piece: Pick<Piece, 'outline'>, mark: Mark): Shape[] {
  if (mark.kind !== 'notch') return [...drawn(mark), ...(mark.text ? [wordsOf(mark, mark.text)] : [])];
  const { v, letterAt } = notch(firstOf(mark.points), inwardsAt(piece, firstOf(mark.points)));
  return [v, { kind: 'text', layer: 'text', at: letterAt, heightMm: 5, text: mark.text ?? '' }];
}

/** Words stand clear of their line by this, mm. */
const CLEAR_MM = 3;

/** The words of a mark: in its middle, or along it where it is a line, readable from below. */
function wordsOf({ points }: Mark, text: string): Shape {
  const shape = { kind: 'text' as const, layer: 'text' as const, heightMm: 3, text };
  if (points.length > 2) return { ...shape, at: centroid(points) };
  const [a, b] = [firstOf(points), lastOf(points)];
  const way = Math.atan2(b.y - a.y, b.x - a.x);
  // Never upside down.
  const turnRad = Math.abs(way) > Math.PI / 2 + 1e-6 ? way - Math.sign(way) * Math.PI : way;
  const middle = lerp2(a, b, 0.5);
  return {
    ...shape,
    at: { x: middle.x - CLEAR_MM * Math.sin(turnRad), y: middle.y + CLEAR_MM * Math.cos(turnRad) },
    ...(Math.abs(turnRad) > 1e-6 && { turnRad }),
  };
}

const WEDGE_MM = 9;

/** The middle of an edge, the way it runs, and points from there along it and into the piece. */
function atEdge(piece: Pick<Piece, 'outline'>, edge: PieceEdge): (along: number, inwards: number) => Vec2 {
  const run = edgeRun(piece.outline, edge);
  const k = Math.max(1, Math.floor(run.length / 2));
  const [a, b] = [itemAt(run, k - 1), itemAt(run, k)];
  const size = dist2(a, b) || 1;
  const along = { x: (b.x - a.x) / size, y: (b.y - a.y) / size };
  const at = lerp2(a, b, 0.5);
  // The outline runs counter-clockwise, so the piece lies to the left of its edges.
  return (s, t) => ({
    x: at.x + along.x * s - along.y * t,
    y: at.y + along.y * s + along.x * t,
  });
}

/** A wedge at the middle of a bevelled edge, open by its angle towards the side that is lost. */
export function bevelWedge(piece: Pick<Piece, 'outline'>, edge: PieceEdge): Shape[] {
  const from = atEdge(piece, edge);
  const open = Math.tan((Math.min(60, Math.abs(edge.bevelDeg)) * Math.PI) / 180) * WEDGE_MM * 0.5;
  return [line('wedge', [from(0, 1), from(-open, WEDGE_MM), from(0, WEDGE_MM)], true)];
}

const CROSS_MM = 4;

/** A hole with a cross at its centre. */
export const holeShapes = (centre: Vec2, diameterMm: number, crossMm = CROSS_MM): Shape[] => [
  { kind: 'circle', layer: 'hole', centre, radiusMm: diameterMm / 2 },
  line('hole', [
    { x: centre.x - crossMm, y: centre.y },
    { x: centre.x + crossMm, y: centre.y },
  ]),
  line('hole', [
    { x: centre.x, y: centre.y - crossMm },
    { x: centre.x, y: centre.y + crossMm },
  ]),
];

/** Size of a sample of a mark, mm. */
export const sampleMm = { width: 16, height: 6 };

/** One of each kind as it is really drawn, for the legend: 16 × 6 mm from its lower left. */
export function sampleOf(layer: Layer): Shape[] {
  const level = [
    { x: 0, y: 3 },
    { x: 16, y: 3 },
  ];
  const box = (x: number, width: number): Vec2[] => [
    { x, y: 0.5 },
    { x: x + width, y: 0.5 },
    { x: x + width, y: 5.5 },
    { x, y: 5.5 },
  ];
  switch (layer) {
    case 'hole':
      return holeShapes({ x: 8, y: 3 }, 4, 3);
    case 'score':
      return [line('score', level), ...ticks('score', level, 6, 3)];
    case 'dart':
      return hatched([
        { x: 0, y: 0.5 },
        { x: 15, y: 3 },
        { x: 0, y: 5.5 },
      ]);
    case 'glue':
    case 'pocket':
      return [line(layer, box(2, 12), true)];
    case 'pad':
      return crossed('pad', box(5, 5));
    case 'rivet':
      return [
        line(
          'rivet',
          Array.from({ length: 16 }, (_, i) => ({
            x: 8 + 2.2 * Math.cos((i * Math.PI) / 8),
            y: 3 + 2.2 * Math.sin((i * Math.PI) / 8),
          })),
          true,
        ),
      ];
    case 'notch':
      return [
        line('cut', [
          { x: 0, y: 0.5 },
          { x: 16, y: 0.5 },
        ]),
        notch({ x: 8, y: 0.5 }, { x: 0, y: 1 }).v,
      ];
    case 'wedge':
      return [
        line(
          'wedge',
          [
            { x: 8, y: 0.5 },
            { x: 5, y: 5.5 },
            { x: 8, y: 5.5 },
          ],
          true,
        ),
      ];
    case 'text':
      return [];
    case 'cut':
    case 'groove':
    case 'fold':
    case 'bevel-back':
    case 'bevel-front':
    case 'leader':
      return [line(layer, level)];
  }
}
