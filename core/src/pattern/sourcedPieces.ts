import { cutPieces, templatesOf, type PartReport } from '../parts';
import type { Piece } from '../panel';
import type { LengthUnit } from '../units';
import type { SourcedPiece } from './drawing';

/** Parts worked out, and the letters they have. */
export interface Patterned {
  parts: readonly PartReport[];
  letters: Readonly<Record<string, string>>;
}

type Pieces = Pick<PartReport, 'id' | 'pieces'>;

/** The letter of a part and the number of a template in it: pieces that are cut by one template have one code. */
export function pieceCode({ letters }: Pick<Patterned, 'letters'>, part: Pieces, piece: Piece): string {
  const lead = piece.like?.pieceId ?? piece.id;
  const number = part.pieces.filter((p) => !p.like).findIndex((p) => p.id === lead);
  return `${letters[part.id]}${number + 1}`;
}

const sourced = (code: string, part: PartReport, piece: Piece): SourcedPiece => ({
  piece,
  source: { code, partName: part.name, foamName: piece.foamName },
});

/** What is there already is cut from nothing. */
const cutParts = ({ parts }: Patterned): PartReport[] => parts.filter((p) => !p.reused);

/** Each piece with the words that are written on it. */
export const sourcedPieces = (report: Patterned): SourcedPiece[] =>
  cutParts(report).flatMap((part) =>
    cutPieces(part).map((piece) => sourced(pieceCode(report, part, piece), part, piece)),
  );

/** Each template once, with how many are cut by it. */
export const sourcedTemplates = (report: Patterned): SourcedPiece[] =>
  cutParts(report).flatMap((part) =>
    templatesOf(cutPieces(part)).map((piece) => sourced(pieceCode(report, part, piece), part, piece)),
  );

/** The same with lengths in words in a unit. */
export const saidIn = (items: readonly SourcedPiece[], unit: LengthUnit): SourcedPiece[] =>
  items.map((item) => ({ ...item, source: { ...item.source, unit } }));

/** What goes on paper: every template, and the walls of bought things that something is drilled or cut in, lettered after them. */
export const printedPieces = (report: Patterned): SourcedPiece[] => [
  ...sourcedTemplates(report),
  ...cutParts(report).flatMap((part) => {
    const before = part.pieces.filter((p) => !p.like).length;
    return worked(part.templates).map((piece, i) =>
      sourced(`${report.letters[part.id]}${before + i + 1}`, part, piece),
    );
  }),
];

const worked = (templates: PartReport['templates']) =>
  templates.filter(
    (t) => t.holes.length > 0 || t.marks.some((m) => m.kind !== 'notch' && m.kind !== 'bevel'),
  );
