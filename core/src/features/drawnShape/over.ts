import { common, contains, dist2, grown, signedArea, type Vec2 } from '../../geometry';
import type { LaidPanel } from '../../panel';
import { itemAt } from '../../units';
import { glued, type LaidPart } from '../contract';

/** A piece, and where a spot of the first piece’s flat lies on its own. */
export interface Onto {
  laid: LaidPanel;
  onto: (p: Vec2) => Vec2;
}

/** What of an outline lies on one piece, on its own flat. */
interface Spread {
  laid: LaidPanel;
  ring: Vec2[];
}

/** Regions end so far within their piece, mm: what lies on its very edge is on no face. */
const WITHIN_MM = 0.05;
/** More of a shape than this on two pieces at once: it does not lie flat about their corner. */
const TWICE_SHARE = 0.02;

/** Turns and moves the plane so that one chord comes to lie on another, their middles together. */
function chordOnto([p, q]: readonly [Vec2, Vec2], [a, b]: readonly [Vec2, Vec2]): (s: Vec2) => Vec2 {
  const turn = Math.atan2(b.y - a.y, b.x - a.x) - Math.atan2(q.y - p.y, q.x - p.x);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [from, to] = [
    { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 },
    { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 },
  ];
  return ({ x, y }) => ({
    x: to.x + cos * (x - from.x) - sin * (y - from.y),
    y: to.y + sin * (x - from.x) + cos * (y - from.y),
  });
}

/** The pieces that are glued to one along a seam, unrolled beside it about the chord of that seam. */
export function besides(on: Pick<LaidPart, 'panels'>, { piece }: LaidPanel): Onto[] {
  return piece.edges.flatMap((edge): Onto[] => {
    const next = glued(on, edge);
    const other = next?.piece.edges.find((e) => e.id === edge.mate!.edgeId);
    if (!next || !other || next.piece === piece) return [];
    const own = [itemAt(piece.outline, edge.from), itemAt(piece.outline, edge.to)] as const;
    // Outlines run the same way round, so that a seam runs against itself on the other piece.
    const theirs = [itemAt(next.piece.outline, other.to), itemAt(next.piece.outline, other.from)] as const;
    return dist2(...own) < 1 || dist2(...theirs) < 1 ? [] : [{ laid: next, onto: chordOnto(own, theirs) }];
  });
}

const partsOn = ({ laid, onto }: Onto, ring: readonly Vec2[]): Spread[] =>
  common([ring.map(onto)], grown([[...laid.piece.outline]], -WITHIN_MM)).map((r) => ({ laid, ring: r }));

/**
 * What of an outline lies on each piece, on its own flat: from seam to seam as far as it reaches. Nothing where a part of
 * it lies on no piece, or where it would lie on two at once, as about the corner of a box.
 */
export function spreadOver(
  on: Pick<LaidPart, 'panels'>,
  first: LaidPanel,
  ring: readonly Vec2[],
): Spread[] | undefined {
  if (ring.every((p) => contains(first.piece.outline, p))) return [{ laid: first, ring: [...ring] }];
  const reached: { at: Onto; parts: Spread[] }[] = [];
  const waiting: Onto[] = [{ laid: first, onto: (p) => p }];
  for (let at = waiting.shift(); at; at = waiting.shift()) {
    const { laid, onto } = at;
    if (reached.some((r) => r.at.laid === laid)) continue;
    const parts = partsOn(at, ring);
    if (parts.length === 0) continue;
    reached.push({ at, parts });
    waiting.push(...besides(on, laid).map((next) => ({ ...next, onto: (p: Vec2) => next.onto(onto(p)) })));
  }
  const covered = ring.every((p) => reached.some(({ at }) => contains(at.laid.piece.outline, at.onto(p))));
  const parts = reached.flatMap((r) => r.parts);
  const laidMm2 = parts.reduce((sum, p) => sum + Math.abs(signedArea(p.ring)), 0);
  return covered && laidMm2 <= Math.abs(signedArea(ring)) * (1 + TWICE_SHARE) ? parts : undefined;
}
