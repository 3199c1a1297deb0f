import { firstOf, getFrom } from '../units';
import {
  boundsOf,
  common,
  cross3,
  dist3,
  dot3,
  grown,
  regionArea,
  sub3,
  unit3,
  type Vec2,
  type Vec3,
} from '../geometry';
import { type Facet, turnAt } from './facets';

/** A side that is folded and not cut. */
export interface Folded {
  facet: number;
  side: number;
}

/** Facets share a net as long as they overlap by no more than this, mm², and at a corner by this share of their margin's square. */
const OVERLAP_MM2 = 0.5;
const CORNER_SHARE = 1.5;
/** Folded further than this the groove meets itself. */
const MOST_TURN_RAD = (150 * Math.PI) / 180;

/** A facet in its own plane: its first corner at nought, its first side along x. */
function flat(corners: readonly Vec3[], normal: Vec3): Vec2[] {
  const along = unit3(sub3(corners[1]!, firstOf(corners)));
  const up = cross3(normal, along);
  return corners.map((p) => {
    const d = sub3(p, firstOf(corners));
    return { x: dot3(d, along), y: dot3(d, up) };
  });
}

/** The move that lays `from`–`to` of one flat facet on `a`–`b`. */
function onto(from: Vec2, to: Vec2, a: Vec2, b: Vec2): (p: Vec2) => Vec2 {
  const turn = Math.atan2(b.y - a.y, b.x - a.x) - Math.atan2(to.y - from.y, to.x - from.x);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return (p) => {
    const [x, y] = [p.x - from.x, p.y - from.y];
    return { x: a.x + x * c - y * s, y: a.y + x * s + y * c };
  };
}

const apart = (a: readonly Vec2[], b: readonly Vec2[]): boolean => {
  const [p, q] = [boundsOf(a), boundsOf(b)];
  return p.maxX <= q.minX || q.maxX <= p.minX || p.maxY <= q.minY || q.maxY <= p.minY;
};

/**
 * Facets unfolded into as few nets as a greedy walk finds: from the largest facet on, the gentlest fold first and of
 * those the longest, as long as nothing overlaps and the net keeps within a size.
 * @param marginMm cut sides are grown by bevels: side by side, facets keep so far apart; at a corner they may meet.
 * @returns the sides that are folded; every other side that has a neighbour is cut.
 */
export function unfolded(
  points: readonly Vec3[],
  facets: readonly Facet[],
  corners: readonly (readonly Vec3[])[],
  mostMm: number,
  marginMm: number,
): Folded[] {
  const flats = facets.map((f, i) => flat(corners[i]!, f.normal));
  const areas = flats.map((f) => Math.abs(regionArea([f])));
  const placed = new Set<number>();
  const folds: Folded[] = [];
  const order = facets.map((_, i) => i).sort((a, b) => areas[b]! - areas[a]! || a - b);
  for (const seed of order) {
    if (placed.has(seed)) continue;
    const net: Vec2[][] = [flats[seed]!];
    const where = new Map<number, Vec2[]>([[seed, flats[seed]!]]);
    placed.add(seed);
    const open: { facet: number; side: number; turn: number; lengthMm: number }[] = [];
    const offer = (f: number): void =>
      facets[f]!.sides.forEach((side, k) => {
        if (side.across === undefined || side.acrossSide === undefined || placed.has(side.across)) return;
        const turn = Math.abs(turnAt(points, facets, f, side));
        if (turn > MOST_TURN_RAD) return;
        open.push({ facet: f, side: k, turn, lengthMm: dist3(points[side.from]!, points[side.to]!) });
      });
    offer(seed);
    while (open.length > 0) {
      open.sort((a, b) => b.turn - a.turn || a.lengthMm - b.lengthMm || b.facet - a.facet || b.side - a.side);
      const { facet, side } = open.pop()!;
      const { across, acrossSide } = facets[facet]!.sides[side]!;
      if (placed.has(across!)) continue;
      const here = getFrom(where, facet);
      const there = flats[across!]!;
      const n = there.length;
      const move = onto(
        there[(acrossSide! + 1) % n]!,
        there[acrossSide!]!,
        here[side]!,
        here[(side + 1) % here.length]!,
      );
      const lies = there.map(move);
      const b = boundsOf([...net.flat(), ...lies]);
      if (Math.max(b.maxX - b.minX, b.maxY - b.minY) > mostMm) continue;
      const wide = grown([lies], marginMm);
      const most = OVERLAP_MM2 + CORNER_SHARE * marginMm * marginMm;
      const covers = (other: readonly Vec2[]): boolean =>
        other !== here && !apart(other, firstOf(wide)) && regionArea(common([[...other]], wide)) > most;
      if (net.some(covers)) continue;
      placed.add(across!);
      net.push(lies);
      where.set(across!, lies);
      folds.push({ facet, side });
      offer(across!);
    }
  }
  return folds;
}
