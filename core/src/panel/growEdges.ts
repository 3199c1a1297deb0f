import { edgeRun } from './edgeRun';
import { polylineLength, signedArea, type Vec2 } from '../geometry';
import type { Piece } from './piece';

interface Line {
  at: Vec2;
  along: Vec2;
}

/** Where two lines cross; between their feet when they are nearly in line. */
function crossing(a: Line, b: Line): Vec2 {
  const turn = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(turn) < 0.05) return { x: (a.at.x + b.at.x) / 2, y: (a.at.y + b.at.y) / 2 };
  const t = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / turn;
  return { x: a.at.x + a.along.x * t, y: a.at.y + a.along.y * t };
}

/**
 * Moves whole edges of a flat piece outwards (inwards when negative), corners where the moved edges cross. Lengths
 * of edges follow in proportion, so that darts in them stay uncounted.
 * @param outMm for each edge, in the order of the piece's edges.
 */
export function growEdges(piece: Piece, outMm: readonly number[]): Piece {
  const { outline, edges } = piece;
  const n = outline.length;
  const by = new Float64Array(n);
  edges.forEach((edge, i) => {
    for (let k = edge.from; k !== edge.to; k = (k + 1) % n) by[k] = outMm[i]!;
  });
  /** The line of the segment from vertex k on, moved; through the end that is asked for. */
  const moved = (k: number, through: number): Line => {
    const [a, b] = [outline[k]!, outline[(k + 1) % n]!];
    const size = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const along = { x: (b.x - a.x) / size, y: (b.y - a.y) / size };
    const p = outline[through]!;
    return { at: { x: p.x + along.y * by[k]!, y: p.y - along.x * by[k]! }, along };
  };
  const grown = outline.map((p, k) => {
    const before = (k + n - 1) % n;
    return by[before] === 0 && by[k] === 0 ? p : crossing(moved(before, k), moved(k, k));
  });
  const next: Piece = { ...piece, outline: grown, areaMm2: Math.abs(signedArea(grown)) };
  next.edges = edges.map((edge) => {
    const was = polylineLength(edgeRun(piece.outline, edge));
    return {
      ...edge,
      lengthMm: was === 0 ? 0 : (edge.lengthMm * polylineLength(edgeRun(grown, edge))) / was,
    };
  });
  return next;
}
