import { signedArea, type Vec2 } from '../geometry';
import type { Piece } from '../panel';

/** A piece moved to where it is drawn; turned over, its outline runs the other way round again. */
export function placedPiece(piece: Piece, place: (p: Vec2) => Vec2): Piece {
  const outline = piece.outline.map(place);
  const over = signedArea(outline) > 0 !== signedArea(piece.outline) > 0;
  const last = outline.length - 1;
  return {
    ...piece,
    outline: over ? outline.reverse() : outline,
    edges: over ? piece.edges.map((e) => ({ ...e, from: last - e.to, to: last - e.from })) : piece.edges,
    holes: piece.holes.map((h) => ({ ...h, centre: place(h.centre) })),
    marks: piece.marks.map((m) => ({ ...m, points: m.points.map(place) })),
  };
}
