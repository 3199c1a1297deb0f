import { itemAt } from '../units';
import { edgeRun } from './edgeRun';
import { polylineLength, signedArea, type Vec2 } from '../geometry';
import type { Piece, PieceEdge } from './piece';

interface Line {
  at: Vec2;
  along: Vec2;
}

/** Lines that turn by less than this have no crossing worth following; sine of the angle. */
const IN_LINE = 0.05;
const NEAR_MM = 1e-6;

/** Where two lines cross; between their feet when they are nearly in line. */
function crossing(a: Line, b: Line): Vec2 {
  const turn = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(turn) < IN_LINE) return { x: (a.at.x + b.at.x) / 2, y: (a.at.y + b.at.y) / 2 };
  const t = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / turn;
  return { x: a.at.x + a.along.x * t, y: a.at.y + a.along.y * t };
}

type Grown = Pick<Piece, 'outline' | 'edges'>;

/**
 * The outline with whole edges moved outwards (inwards when negative), corners where the moved edges cross.
 * @param outMm for each edge, in the order of the piece's edges.
 * @param still segments of the outline, by the point they begin at, that belong to no edge: the legs of darts.
 */
export function grownOutline(
  { outline, edges }: Grown,
  outMm: readonly number[],
  still: ReadonlySet<number> = new Set(),
): Vec2[] {
  const n = outline.length;
  const by = new Float64Array(n);
  edges.forEach((edge, i) => {
    for (let k = edge.from; k !== edge.to; k = (k + 1) % n) if (!still.has(k)) by[k] = itemAt(outMm, i);
  });
  /** The nearest segment that is more than a point, from one on and on either way. */
  const step = (from: number, way: 1 | -1): number => {
    for (let i = 0; i < n; i++) {
      const k = (from + way * i + n) % n;
      const [a, b] = [itemAt(outline, k), itemAt(outline, (k + 1) % n)];
      if (Math.hypot(b.x - a.x, b.y - a.y) > NEAR_MM) return k;
    }
    return from;
  };
  /** The line of the segment from vertex k on, moved; through the end that is asked for. */
  const moved = (k: number, p: Vec2): Line => {
    const [a, b] = [itemAt(outline, k), itemAt(outline, (k + 1) % n)];
    const size = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const along = { x: (b.x - a.x) / size, y: (b.y - a.y) / size };
    return { at: { x: p.x + along.y * itemAt(by, k), y: p.y - along.x * itemAt(by, k) }, along };
  };
  return outline.map((p, k) => {
    const [before, after] = [step((k + n - 1) % n, -1), step(k, 1)];
    return by[before] === 0 && by[after] === 0 ? p : crossing(moved(before, p), moved(after, p));
  });
}

/** A piece with its outline grown, and lengths of edges in proportion, so that darts in them stay uncounted. */
export function growEdges(piece: Piece, outMm: readonly number[], still?: ReadonlySet<number>): Piece {
  const outline = grownOutline(piece, outMm, still);
  return {
    ...piece,
    outline,
    areaMm2: Math.abs(signedArea(outline)),
    edges: piece.edges.map((edge): PieceEdge => {
      const was = polylineLength(edgeRun(piece.outline, edge));
      return {
        ...edge,
        lengthMm: was === 0 ? 0 : (edge.lengthMm * polylineLength(edgeRun(outline, edge))) / was,
      };
    }),
  };
}
