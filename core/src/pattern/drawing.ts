import { boundsOf, type Vec2 } from '../geometry';
import type { Piece } from '../panel';
import { beside, type Notes, notesOf } from './lettering/notes';
import { type Label, lettered } from './lettering/lettered';
import { type Breaks, noBreaks } from './lettering/surface';
import { placedPiece } from './placedPiece';
import { inUnit, type LengthUnit, lastOf } from '../units';
import { moveShape, type Shape } from './shape';

/** Where a piece comes from, for what is written on it. */
export interface Source {
  /** The letter of its part in the order of putting together, and its number in the part. */
  code: string;
  partName: string;
  foamName: string;
  /** Lengths in words are in this; millimetres when left out. */
  unit?: LengthUnit;
}

export interface SourcedPiece {
  piece: Piece;
  source: Source;
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

export function labelOf({ piece, source }: SourcedPiece): Label {
  const said = (words: string): string => inUnit(words, source.unit ?? 'mm');
  return {
    code: source.code,
    name: said(`${source.partName}: ${piece.name}`),
    quantity: quantityText(piece),
    foam: said(source.foamName),
    said,
  };
}

const itself = (p: Vec2): Vec2 => p;

/** A piece where it is placed, with its words upright there, and the words it has no room for. */
export const drawnPiece = (
  item: SourcedPiece,
  place: (p: Vec2) => Vec2 = itself,
  breaks: Breaks = noBreaks,
): { shapes: Shape[]; beside: string[] } =>
  lettered(place === itself ? item.piece : placedPiece(item.piece, place), labelOf(item), breaks);

/** Everything drawn on one piece and in it, in its own millimetres, y up. */
export const pieceShapes = (piece: Piece, source: Source, place?: (p: Vec2) => Vec2): Shape[] =>
  drawnPiece({ piece, source }, place).shapes;

/** A piece with what is written beside it, its lower left at nought. */
function withNotes(item: SourcedPiece): { shapes: Shape[]; widthMm: number; heightMm: number } {
  const { shapes, beside: left } = drawnPiece(item);
  const b = boundsOf(item.piece.outline);
  const notes: Notes = notesOf(left, b.maxX - b.minX);
  const up = notes.heightMm;
  const moved = shapes.map((s) => moveShape(s, (p) => ({ x: p.x - b.minX, y: p.y - b.minY + up })));
  const foot = { x: (b.maxX - b.minX) / 2, y: up };
  return {
    shapes: [...moved, ...beside(notes, { x: 0, y: 0 }, nearestTo(item.piece, b, foot))],
    widthMm: Math.max(b.maxX - b.minX, notes.widthMm),
    heightMm: b.maxY - b.minY + up,
  };
}

/** The point of a piece's rim that lies nearest to a place below it, moved as the piece is. */
function nearestTo({ outline }: Piece, b: { minX: number; minY: number }, foot: Vec2): Vec2 {
  const moved = outline.map((p) => ({ x: p.x - b.minX, y: p.y - b.minY + foot.y }));
  const away = (p: Vec2): number => (p.x - foot.x) ** 2 + (p.y - foot.y) ** 2;
  return moved.reduce((best, p) => (away(p) < away(best) ? p : best));
}

/** A drawing of everything is about so many times as wide as it is high. */
const ASPECT = 1.4;

/** Pieces in rows with room between, for one file with everything on it. */
export function inRows(
  pieces: readonly SourcedPiece[],
  spacingMm = 15,
): { shapes: Shape[]; widthMm: number; heightMm: number } {
  const drawn = pieces.map(withNotes);
  const area = drawn.reduce((sum, d) => sum + (d.widthMm + spacingMm) * (d.heightMm + spacingMm), 0);
  const wide = Math.max(Math.sqrt(area * ASPECT), ...drawn.map((d) => d.widthMm + 2 * spacingMm));
  const rows: { drawn: typeof drawn; heightMm: number }[] = [];
  let x = Infinity;
  for (const one of drawn) {
    if (x + one.widthMm + spacingMm > wide) {
      rows.push({ drawn: [], heightMm: 0 });
      x = spacingMm;
    }
    const row = lastOf(rows);
    row.drawn.push(one);
    row.heightMm = Math.max(row.heightMm, one.heightMm);
    x += one.widthMm + spacingMm;
  }
  const heightMm = rows.reduce((sum, r) => sum + r.heightMm + spacingMm, spacingMm);
  let [top, widthMm] = [heightMm - spacingMm, 0];
  const shapes = rows.flatMap((row) => {
    let left = spacingMm;
    const low = top - row.heightMm;
    top = low - spacingMm;
    return row.drawn.flatMap((one) => {
      const at = { x: left, y: low };
      left += one.widthMm + spacingMm;
      widthMm = Math.max(widthMm, left);
      return one.shapes.map((s) => moveShape(s, (p) => ({ x: p.x + at.x, y: p.y + at.y })));
    });
  });
  return { shapes, widthMm, heightMm };
}
