import { common, contains, dist2, grown, type Vec2 } from '../../geometry';
import type { LaidPanel } from '../../panel';
import { itemAt } from '../../units';
import { glued, type LaidPart } from '../contract';

/** A piece, and where a spot of the first piece’s flat lies on its own. */
export interface Onto {
  laid: LaidPanel;
  onto: (p: Vec2) => Vec2;
}

/** Regions end so far within their piece, mm: what lies on its very edge is on no face. */
const WITHIN_MM = 0.05;

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

/** What of an outline lies on each piece, on its own flat; nothing where a part of it lies on none of them. */
export function spreadOver(
  on: Pick<LaidPart, 'panels'>,
  first: LaidPanel,
  ring: readonly Vec2[],
): { laid: LaidPanel; ring: Vec2[] }[] | undefined {
  const whole = (l: LaidPanel, r: readonly Vec2[]): boolean => r.every((p) => contains(l.piece.outline, p));
  if (whole(first, ring)) return [{ laid: first, ring: [...ring] }];
  const own = { laid: first, onto: (p: Vec2): Vec2 => p };
  const near = besides(on, first);
  const covered = ring.every((p) =>
    [own, ...near].some(({ laid, onto }) => contains(laid.piece.outline, onto(p))),
  );
  if (!covered) return undefined;
  return [own, ...near].flatMap(({ laid, onto }) =>
    common([ring.map(onto)], grown([[...laid.piece.outline]], -WITHIN_MM)).map((r) => ({ laid, ring: r })),
  );
}
