import type { SourcedPiece } from './drawing';

/** What is written on a piece, apart from where: with its outline, all that lettering depends on. */
export const wordsKey = ({ piece, source }: SourcedPiece): string =>
  [
    source.code,
    source.partName,
    source.unit,
    piece.name,
    piece.quantity,
    piece.flipped,
    piece.holes.length,
    ...piece.marks.map((m) => m.printed ?? m.text ?? m.kind),
  ].join();
