import { boundsOf } from '../geometry';
import type { Piece } from '../panel';
import { trimNumber } from '../units';
import { labelShapes } from './label';
import { bevelShapes, holeShapes, markShapes } from './marks';
import { moveShape, type Shape } from './shape';

/** Where a piece comes from, for what is written on it. */
export interface Source {
  /** The letter of its part in the order of putting together, and its number in the part. */
  code: string;
  partName: string;
  foamName: string;
}

/** Which copies are for the wearer's left and right: L and R on the print. */
const hands = { left: 'L', right: 'R', pair: 'R as drawn, L flipped' } as const;

/** How many copies are cut, how many of them flipped, and for which side. */
export function quantityText({
  quantity,
  flipped,
  hand,
  template,
}: Pick<Piece, 'quantity' | 'flipped' | 'hand' | 'template'>): string {
  if (template) return 'template for drilling';
  const turned =
    flipped === 0 ? '' : flipped === quantity ? ', flipped' : `, ${flipped === 1 ? 'one' : flipped} flipped`;
  return `cut ${quantity}${turned}${hand ? ` · ${hands[hand]}` : ''}`;
}

/** Everything drawn on one piece, in its own millimetres, y up. */
export function pieceShapes(piece: Piece, source: Source): Shape[] {
  return [
    { kind: 'line', layer: 'cut', points: piece.outline, closed: true },
    ...piece.holes.flatMap(({ centre, diameterMm }): Shape[] => [
      ...holeShapes(centre, diameterMm),
      {
        kind: 'text',
        layer: 'text',
        at: { x: centre.x + diameterMm / 2 + 7, y: centre.y + 2 },
        heightMm: 3,
        text: `Ø${trimNumber(diameterMm)}`,
      },
    ]),
    ...piece.marks.flatMap((mark) => markShapes(piece, mark)),
    ...piece.edges.flatMap((edge) => (edge.bevelDeg === 0 ? [] : bevelShapes(piece, edge))),
    ...labelShapes(piece, [
      `${source.code} · ${source.partName}: ${piece.name}`,
      quantityText(piece),
      source.foamName,
    ]),
  ];
}

export interface SourcedPiece {
  piece: Piece;
  source: Source;
}

/** Pieces side by side with room between, for one file with everything on it. */
export function sideBySide(
  pieces: readonly SourcedPiece[],
  spacingMm = 15,
): { shapes: Shape[]; widthMm: number; heightMm: number } {
  let x = spacingMm;
  let heightMm = 0;
  const shapes = pieces.flatMap(({ piece, source }) => {
    const b = boundsOf(piece.outline);
    const shift = { x: x - b.minX, y: spacingMm - b.minY };
    x += b.maxX - b.minX + spacingMm;
    heightMm = Math.max(heightMm, b.maxY - b.minY + 2 * spacingMm);
    return pieceShapes(piece, source).map((s) =>
      moveShape(s, (p) => ({ x: p.x + shift.x, y: p.y + shift.y })),
    );
  });
  return { shapes, widthMm: x, heightMm };
}
