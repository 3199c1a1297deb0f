import type { Check } from '../../document';
import type { Piece } from '../../panel';
import { trimNumber } from '../../units';

/** Seams that fold back so far that no knife bevels them; told once, by the one that folds back furthest. */
export function foldBackChecks(pieces: readonly Piece[]): Check[] {
  const folded = pieces.flatMap((piece) =>
    piece.edges.flatMap((edge) =>
      edge.foldsBackDeg === undefined ? [] : [{ piece, edge, turnDeg: Math.abs(edge.foldsBackDeg) }],
    ),
  );
  if (folded.length === 0) return [];
  const { piece, edge, turnDeg } = folded.reduce((a, b) => (b.turnDeg > a.turnDeg ? b : a));
  const others = new Set(folded.flatMap((f) => f.edge.letter ?? [])).size - 1;
  return [
    {
      id: 'folds-back',
      severity: 'note',
      station: 'shape',
      title: `${piece.name}, ${edge.name}: the seam turns by ${trimNumber(turnDeg, 0)}°, too sharply to bevel${
        others > 0 ? `, and ${others} more` : ''
      }.`,
      why: 'Both edges are cut square and glued along their inner corners. Fill the wedge that stays open with foam rod or filler, or sand the ridge down to the shape.',
      provenance: 'memory',
      excess: turnDeg,
      pieceId: piece.id,
      remedies: [],
    },
  ];
}
