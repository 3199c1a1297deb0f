import { eachOf, type LaidPanel, skinMesh } from '../panel';
import { type Printing, printingOfAll, printingOnBestSide } from '../printed';
import type { MadePart } from './madePart';
import { pieceG } from './weight';

/** What its pieces are of, in words. */
const PLASTIC = 'printed plastic';

/** A shell as a printer lays it: what it takes, and how heavy its pieces are for their size. */
export interface PrintedShell {
  takes: Printing;
  /** Plastic and the air within it, kg/m³. */
  densityKgM3: number;
}

/** What printing every piece of a shell takes, each by itself on its best side; nothing where there is none to print. */
export function printingOfShell({
  laid,
  pieces,
}: Pick<MadePart, 'laid' | 'pieces'>): PrintedShell | undefined {
  const own = laid.filter(({ panel }) => !panel.existing);
  if (own.length === 0) return undefined;
  const takes = printingOfAll(
    own.map((skin) => skinMesh(skin).mesh),
    printingOnBestSide,
  );
  const mm3 = pieces
    .filter((p) => p.role === 'shell')
    .reduce((sum, p) => sum + pieceG({ ...p, densityKgM3: 1e6 }) * eachOf(p), 0);
  return mm3 > 0 ? { takes, densityKgM3: (takes.plasticG / mm3) * 1e6 } : undefined;
}

/** A part whose shell weighs what is printed of it. */
export const inPlastic = <M extends Pick<MadePart, 'laid' | 'pieces'>>(
  made: M,
  { densityKgM3 }: PrintedShell,
): M => ({
  ...made,
  laid: made.laid.map((l): LaidPanel =>
    l.panel.existing ? l : { ...l, piece: { ...l.piece, densityKgM3 } },
  ),
  pieces: made.pieces.map((p) => (p.role === 'shell' ? { ...p, densityKgM3, foamName: PLASTIC } : p)),
});
