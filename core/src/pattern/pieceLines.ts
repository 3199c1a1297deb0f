import type { Piece } from '../panel';
import { bevelWedge, holeShapes, markLines } from './marks';
import type { Shape } from './shape';

/** Everything drawn on a piece but its words: the cut line, what is cut out, marks, and a wedge at every bevelled edge. */
export const pieceLines = (piece: Piece): Shape[] => [
  { kind: 'line', layer: 'cut', points: piece.outline, closed: true },
  ...piece.holes.flatMap(({ centre, diameterMm }) => holeShapes(centre, diameterMm)),
  ...piece.marks.flatMap((mark) => markLines(piece, mark)),
  ...piece.edges.flatMap((edge) => (edge.bevelDeg === 0 ? [] : bevelWedge(piece, edge))),
];
