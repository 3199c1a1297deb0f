import type { Report } from '../report';
import type { SourcedPiece } from './drawing';

/** Each piece with the words that are written on it. */
export const sourcedPieces = (report: Report): SourcedPiece[] =>
  report.parts.flatMap((part) =>
    part.pieces.map((piece, i) => ({
      piece,
      source: {
        code: `${report.letters[part.id]}${i + 1}`,
        partName: part.name,
        foamName: piece.foamName,
      },
    })),
  );
