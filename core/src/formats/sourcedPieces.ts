import type { PartReport, Report } from '../build/report';
import type { Piece } from '../forms/piece';
import type { SourcedPiece } from './drawing';

/** The foam a piece is cut from in words; pieces may have a thickness of their own. */
export const foamNameOf = (part: PartReport, piece: Piece): string =>
  piece.role === 'lining' && part.lining
    ? part.lining.name
    : part.foam.name.replace(/^[\d.]+ mm/, `${piece.nominalMm} mm`);

/** Each piece with the words that are written on it. */
export const sourcedPieces = (report: Report): SourcedPiece[] =>
  report.parts.flatMap((part) =>
    part.pieces.map((piece) => ({
      piece,
      source: { partName: part.name, foamName: foamNameOf(part, piece) },
    })),
  );
