import type { Report } from '../report';
import type { SourcedPiece } from './drawing';

/** Each piece with the words that are written on it. */
export const sourcedPieces = (report: Report): SourcedPiece[] =>
  report.parts.flatMap((part) =>
    part.pieces.map((piece) => ({
      piece,
      source: { partName: part.name, foamName: piece.foamName },
    })),
  );
