import type { Attachment } from '../panel';
import type { PartReport } from '../parts';
import { trimNumber } from '../units';

/** An edge fastened to the face of another piece. */
export interface HungEdge {
  words: string;
  by: Attachment['by'];
}

const easeWords = (easeMm: number | undefined): string =>
  easeMm === undefined
    ? ''
    : `, ${trimNumber(Math.abs(easeMm), 1)} mm ${easeMm < 0 ? 'shorter' : 'longer'} than what it meets, eased in evenly`;

/** Edges of the shell that are glued, held, riveted or hung on other pieces; like ones are reported once. */
export function attachedEdges(part: PartReport): HungEdge[] {
  const all = part.pieces.flatMap((piece) =>
    piece.edges.flatMap((edge) =>
      edge.attached
        ? [
            {
              words: `${piece.name}, ${edge.name}${edge.letter ? ` (${edge.letter})` : ''}: ${edge.attached.words}${easeWords(edge.easeMm)}`,
              by: edge.attached.by,
            },
          ]
        : [],
    ),
  );
  return all.filter((e, i) => all.findIndex((o) => o.words === e.words) === i);
}
