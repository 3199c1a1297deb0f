import type { PartReport } from '../parts';

/** An edge fastened to the face of another piece. */
export interface HungEdge {
  words: string;
  lengthMm: number;
  glued: boolean;
}

/** Edges of the shell that are glued, riveted or hung on other pieces; like ones are told once. */
export function hungEdges(part: PartReport): HungEdge[] {
  const all = part.pieces.flatMap((piece) =>
    piece.edges.flatMap((edge) =>
      edge.hung
        ? [
            {
              words: `${piece.name}, ${edge.name}${edge.letter ? ` (${edge.letter})` : ''}: ${edge.hung.words}`,
              lengthMm: edge.lengthMm,
              glued: edge.hung.by === 'glue',
            },
          ]
        : [],
    ),
  );
  return all.filter((e, i) => all.findIndex((o) => o.words === e.words) === i);
}
