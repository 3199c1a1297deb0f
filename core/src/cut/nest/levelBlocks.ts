import { signedArea } from '../../geometry';
import { itemAt } from '../../units';
import { boxesOf } from '../packing';
import { roomyHoles, type Sheet, type SheetSize, type ToLay, wholeSheet } from '../sheets';
import type { Block, Skyline } from './skyline';

/** A piece that fills its box to this share is a rectangle. */
const FILLED = 0.9999;

/** Pieces as level rectangles with the spacing kept on two sides; nothing where one of them is none. */
export function levelBlocks(
  items: readonly ToLay[],
  size: SheetSize,
  spacingMm: number,
): Block[] | undefined {
  const blocks = items.map(({ piece, flipped }): Block | undefined => {
    const boxes = boxesOf(piece.outline, flipped, size.turns);
    const filled = boxes.every(
      (b) =>
        Math.abs(signedArea(piece.outline)) >= FILLED * b.widthMm * b.heightMm && piece.outline.length >= 4,
    );
    const fits = boxes.filter(
      (b) => b.widthMm + 2 * spacingMm <= size.widthMm && b.heightMm + 2 * spacingMm <= size.heightMm,
    );
    // In a hole of one another may lie.
    return filled && fits.length === boxes.length && roomyHoles(piece).length === 0
      ? { ways: boxes.map((b) => ({ along: b.widthMm + spacingMm, across: b.heightMm + spacingMm })) }
      : undefined;
  });
  return blocks.some((b) => !b) ? undefined : (blocks as Block[]);
}

/** Sheets with the pieces where a skyline has them. */
export function sheetsOfSkyline(
  { at }: Skyline,
  items: readonly ToLay[],
  size: SheetSize,
  spacingMm: number,
): Sheet[] {
  const sheets: Sheet[] = [];
  at.forEach(({ sheet, way, x, y }, i) => {
    while (sheets.length <= sheet) sheets.push(wholeSheet(size));
    const { partId, piece, flipped } = itemAt(items, i);
    const box = itemAt(boxesOf(piece.outline, flipped, size.turns), way);
    itemAt(sheets, sheet).laid.push({
      pieceId: piece.id,
      partId,
      flipped,
      turnRad: box.turnRad,
      x: x + spacingMm - box.minX,
      y: y + spacingMm - box.minY,
      widthMm: box.widthMm,
      heightMm: box.heightMm,
    });
  });
  return sheets;
}
