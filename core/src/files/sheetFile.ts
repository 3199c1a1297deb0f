import { byId, firstOf, itemAt } from '../units';
import { laidOutline } from '../cut';
import type { Report } from '../report';
import { pieceShapes } from '../pattern';
import { drawingDxf } from './dxf';
import { faceNote } from './faceNote';
import type { Shape } from '../pattern';
import { sourcedPieces } from '../pattern';
import { piecesSvg } from './svg';

export type SheetFileKind = 'svg' | 'dxf';

/** What is drawn of a build: its parts, their letters and its sheets. */
type Sheeted = Pick<Report, 'parts' | 'letters' | 'packed'>;

/** Everything drawn on the pieces of one sheet, where they lie on it; small pieces first, as they are cut. */
export function sheetPieces(report: Sheeted, index: number): { name: string; shapes: Shape[] }[] {
  const sheet = report.packed.sheets[index];
  if (!sheet) return [];
  const known = sourcedPieces(report);
  return sheet.laid
    .flatMap((laid) => {
      const part = byId(report.parts, laid.partId);
      const at = part?.pieces.findIndex((p) => p.id === laid.pieceId) ?? -1;
      const piece = part?.pieces[at];
      const own = known.find((k) => k.piece === piece);
      if (!piece || !own) return [];
      const shapes = pieceShapes(piece, own.source, (p) => firstOf(laidOutline([p], laid)));
      const { code, partName } = own.source;
      const name = `${code} ${partName}: ${piece.name}${faceNote(laid)}`;
      return [{ name, shapes, areaMm2: piece.areaMm2 }];
    })
    .sort((a, b) => a.areaMm2 - b.areaMm2)
    .map(({ name, shapes }) => ({ name, shapes }));
}

/** One sheet as a cutter takes it, true size, origin at its lower left. */
export function sheetFile(report: Sheeted, index: number, kind: SheetFileKind, title: string): string {
  const sheet = itemAt(report.packed.sheets, index);
  const pieces = sheetPieces(report, index);
  return kind === 'svg'
    ? piecesSvg(pieces, sheet.widthMm, sheet.heightMm, `${title}, sheet ${index + 1}`)
    : drawingDxf(pieces.flatMap((p) => p.shapes));
}
