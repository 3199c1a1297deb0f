import { itemAt } from '../units';
import { dist2, type Vec2 } from '../geometry';
import type { Mark, Piece, PieceEdge } from './piece';

/** How one piece lies on another that is cut by the same outline. */
export interface Congruence {
  /** Turned over first. */
  flipped: boolean;
  /** Where a point of the one lies on the other. */
  move: (p: Vec2) => Vec2;
  /** Its edges by those they lie on. */
  edges: ReadonlyMap<string, string>;
}

/** Pieces that differ by no more than this are cut by one template, mm. */
const SAME_MM = 0.15;
/** Marks may be off by this, mm. */
const MARK_MM = 0.3;
/** Bevels may differ by this, degrees. */
const SAME_DEG = 0.5;
/** Runs of an outline may differ by this before anything else is compared, mm. */
const RUN_MM = 0.25;

const mirrored = (p: Vec2): Vec2 => ({ x: -p.x, y: p.y });

const mean = (all: readonly Vec2[]): Vec2 => ({
  x: all.reduce((s, p) => s + p.x, 0) / all.length,
  y: all.reduce((s, p) => s + p.y, 0) / all.length,
});

/** The rigid move of one run of points onto another, point by point, with the least squares (Procrustes). */
function onto(from: readonly Vec2[], to: readonly Vec2[]): (p: Vec2) => Vec2 {
  const [a, b] = [mean(from), mean(to)];
  let [sin, cos] = [0, 0];
  from.forEach((p, i) => {
    const q = itemAt(to, i);
    const [px, py, qx, qy] = [p.x - a.x, p.y - a.y, q.x - b.x, q.y - b.y];
    cos += px * qx + py * qy;
    sin += px * qy - py * qx;
  });
  const size = Math.hypot(sin, cos) || 1;
  const [s, c] = [sin / size, cos / size];
  return (p) => ({
    x: b.x + c * (p.x - a.x) - s * (p.y - a.y),
    y: b.y + s * (p.x - a.x) + c * (p.y - a.y),
  });
}

const runs = (ring: readonly Vec2[]): number[] =>
  ring.map((p, i) => dist2(p, itemAt(ring, (i + 1) % ring.length)));

const kindsOf = (piece: Piece): string =>
  piece.marks
    .map((m) => (m.kind === 'notch' ? '' : m.kind))
    .sort()
    .join();

const alikeAtAll = (a: Piece, b: Piece): boolean =>
  a.foamId === b.foamId &&
  a.nominalMm === b.nominalMm &&
  a.role === b.role &&
  a.face === b.face &&
  a.template === b.template &&
  a.outline.length === b.outline.length &&
  a.edges.length === b.edges.length &&
  a.holes.length === b.holes.length &&
  Math.abs(a.areaMm2 - b.areaMm2) < 1 + a.areaMm2 * 1e-3 &&
  kindsOf(a) === kindsOf(b);

const sameEdge = (a: PieceEdge, b: PieceEdge): boolean =>
  Math.abs(a.bevelDeg - b.bevelDeg) < SAME_DEG &&
  Math.abs((a.foldDeg ?? 0) - (b.foldDeg ?? 0)) < SAME_DEG &&
  a.joint === b.joint &&
  a.attached?.words === b.attached?.words;

function sameMark(a: Mark, b: Mark, move: (p: Vec2) => Vec2): boolean {
  if (a.kind !== b.kind || a.points.length !== b.points.length || a.text !== b.text) return false;
  if (a.bevel?.face !== b.bevel?.face) return false;
  const moved = b.points.map(move);
  const matched = (q: Vec2): boolean => a.points.some((p) => dist2(p, q) < MARK_MM);
  return dist2(mean(a.points), mean(moved)) < MARK_MM && moved.every(matched);
}

/** The edges of one piece by those of the other that they lie on, from where its outline's points lie. */
function edgesOnto(
  a: Piece,
  b: Piece,
  pointOf: (index: number) => number,
  flipped: boolean,
): Map<string, string> | undefined {
  const found = new Map<string, string>();
  for (const edge of b.edges) {
    const [from, to] = [pointOf(edge.from), pointOf(edge.to)];
    const own = a.edges.find((e) =>
      flipped ? e.from === to && e.to === from : e.from === from && e.to === to,
    );
    if (!own || !sameEdge(own, edge)) return undefined;
    found.set(edge.id, own.id);
  }
  return found;
}

/** How piece `b` lies on piece `a` when both are cut by one outline, with what is cut and drawn in it; none when they are not. */
export function congruence(a: Piece, b: Piece): Congruence | undefined {
  if (!alikeAtAll(a, b)) return undefined;
  const n = a.outline.length;
  const lengths = runs(a.outline);
  for (const flipped of [false, true]) {
    // Turned over, the outline runs the other way.
    const own = flipped ? b.outline.map(mirrored).reverse() : b.outline;
    const others = runs(own);
    for (let shift = 0; shift < n; shift++) {
      if (!lengths.every((mm, i) => Math.abs(mm - itemAt(others, (i + shift) % n)) < RUN_MM)) continue;
      const from = a.outline.map((_, i) => itemAt(own, (i + shift) % n));
      const rigid = onto(from, a.outline);
      if (!from.every((p, i) => dist2(rigid(p), itemAt(a.outline, i)) < SAME_MM)) continue;
      const move = (p: Vec2): Vec2 => rigid(flipped ? mirrored(p) : p);
      const pointOf = (index: number): number => ((((flipped ? n - 1 - index : index) - shift) % n) + n) % n;
      const edges = edgesOnto(a, b, pointOf, flipped);
      if (!edges) continue;
      const holes = b.holes.every((h) =>
        a.holes.some(
          (o) => Math.abs(o.diameterMm - h.diameterMm) < 0.05 && dist2(o.centre, move(h.centre)) < MARK_MM,
        ),
      );
      const drawn = (p: Piece): Mark[] => p.marks.filter((m) => m.kind !== 'notch');
      const marks = holes && drawn(b).every((m) => drawn(a).some((o) => sameMark(o, m, move)));
      if (marks) return { flipped, move, edges };
    }
  }
  return undefined;
}
