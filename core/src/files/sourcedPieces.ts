import type { Report } from '../report';
import type { SourcedPiece } from './drawing';

/** The letter of a part in the order of putting together, and the number of a piece in it. */
export const pieceCode = ({ letters }: Pick<Report, 'letters'>, partId: string, index: number): string =>
  `${letters[partId]}${index + 1}`;

/** Each piece with the words that are written on it. */
export const sourcedPieces = (report: Report): SourcedPiece[] =>
  report.parts.flatMap((part) =>
    part.pieces.map((piece, i) => ({
      piece,
      source: {
        code: pieceCode(report, part.id, i),
        partName: part.name,
        foamName: piece.foamName,
      },
    })),
  );

/** What goes on paper: every piece, and the walls of bought things that something is drilled or cut in, lettered after them. */
export const printedPieces = (report: Report): SourcedPiece[] => [
  ...sourcedPieces(report),
  ...report.parts.flatMap((part) =>
    worked(part.templates).map((piece, i) => ({
      piece,
      source: {
        code: pieceCode(report, part.id, part.pieces.length + i),
        partName: part.name,
        foamName: piece.foamName,
      },
    })),
  ),
];

const worked = (templates: Report['parts'][number]['templates']) =>
  templates.filter((t) => t.holes.length > 0 || t.marks.some((m) => m.kind === 'slot'));
