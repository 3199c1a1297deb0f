import { convexHull } from '../geometry/hull';
import { boundsOf } from '../geometry/polygon';
import { rotate2, type Vec2 } from '../geometry/vec';
import type { Piece } from '../forms/piece';

/** One copy of a piece laid on a sheet: flip first, then turn, then shift. */
export interface Laid {
  pieceId: string;
  partId: string;
  flipped: boolean;
  turnRad: number;
  x: number;
  y: number;
  widthMm: number;
  heightMm: number;
}

export interface Sheet {
  foamId: string;
  nominalMm: number;
  widthMm: number;
  heightMm: number;
  laid: Laid[];
}

export interface Packed {
  sheets: Sheet[];
  /** Pieces that fit no sheet at any turn. */
  tooBig: { pieceId: string; partId: string; name: string; lengthMm: number }[];
}

export interface ToLay {
  partId: string;
  piece: Piece;
  flipped: boolean;
}

/** The outline of a piece as it lies on its sheet. */
export function laidOutline(
  outline: readonly Vec2[],
  laid: Pick<Laid, 'flipped' | 'turnRad' | 'x' | 'y'>,
): Vec2[] {
  return outline.map((p) => {
    const q = rotate2({ x: laid.flipped ? -p.x : p.x, y: p.y }, laid.turnRad);
    return { x: q.x + laid.x, y: q.y + laid.y };
  });
}

interface Box {
  turnRad: number;
  widthMm: number;
  heightMm: number;
  minX: number;
  minY: number;
}

const TURN_STEPS = 60;

/** Boxes of outlines that have not changed, one for each hand. */
const boxes = new WeakMap<readonly Vec2[], [plain?: Box, flipped?: Box]>();

/** The tightest box of an outline, remembered while the outline is. */
function boxOf(outline: readonly Vec2[], flipped: boolean): Box {
  const known = boxes.get(outline) ?? [];
  boxes.set(outline, known);
  return (known[flipped ? 1 : 0] ??= tightestBox(outline, flipped));
}

/** The turn of least box area, among whole 3° steps; lies on its long side. */
function tightestBox(outline: readonly Vec2[], flipped: boolean): Box {
  const hull = convexHull(outline);
  let best: Box | undefined;
  for (let i = 0; i < TURN_STEPS; i++) {
    const turnRad = (i / TURN_STEPS) * Math.PI;
    const b = boundsOf(laidOutline(hull, { flipped, turnRad, x: 0, y: 0 }));
    const box = { turnRad, widthMm: b.maxX - b.minX, heightMm: b.maxY - b.minY, minX: b.minX, minY: b.minY };
    if (box.heightMm > box.widthMm) continue;
    if (!best || box.widthMm * box.heightMm < best.widthMm * best.heightMm - 1e-6) best = box;
  }
  return best!;
}

/**
 * Shelf packing (first fit, decreasing height): pieces lie in rows by their tightest boxes.
 * Boxes never overlap and keep `spacingMm` from each other and from the sheet's edge.
 */
export function packShelves(
  items: readonly ToLay[],
  size: { foamId: string; nominalMm: number; widthMm: number; heightMm: number },
  spacingMm: number,
): Packed {
  const sheets: (Sheet & { shelves: { y: number; heightMm: number; usedMm: number }[]; topMm: number })[] =
    [];
  const tooBig: Packed['tooBig'] = [];
  const boxed = items
    .map((item) => ({ item, box: boxOf(item.piece.outline, item.flipped) }))
    .sort((a, b) => b.box.heightMm - a.box.heightMm || b.box.widthMm - a.box.widthMm);
  for (const { item, box } of boxed) {
    const width = box.widthMm + spacingMm;
    const height = box.heightMm + spacingMm;
    if (width + spacingMm > size.widthMm || height + spacingMm > size.heightMm) {
      tooBig.push({
        pieceId: item.piece.id,
        partId: item.partId,
        name: item.piece.name,
        lengthMm: box.widthMm,
      });
      continue;
    }
    const lay = (sheet: (typeof sheets)[number], shelf: (typeof sheets)[number]['shelves'][number]): void => {
      sheet.laid.push({
        pieceId: item.piece.id,
        partId: item.partId,
        flipped: item.flipped,
        turnRad: box.turnRad,
        x: spacingMm + shelf.usedMm - box.minX,
        y: shelf.y + spacingMm - box.minY,
        widthMm: box.widthMm,
        heightMm: box.heightMm,
      });
      shelf.usedMm += width;
    };
    const open = sheets.flatMap((sheet) => sheet.shelves.map((shelf) => ({ sheet, shelf })));
    const found = open.find(
      ({ shelf }) => shelf.heightMm >= height && shelf.usedMm + width + spacingMm <= size.widthMm,
    );
    if (found) {
      lay(found.sheet, found.shelf);
      continue;
    }
    let sheet = sheets.find((s) => s.topMm + height + spacingMm <= size.heightMm);
    if (!sheet) {
      sheet = { ...size, laid: [], shelves: [], topMm: 0 };
      sheets.push(sheet);
    }
    const shelf = { y: sheet.topMm, heightMm: height, usedMm: 0 };
    sheet.shelves.push(shelf);
    sheet.topMm += height;
    lay(sheet, shelf);
  }
  return {
    sheets: sheets.map(({ foamId, nominalMm, widthMm, heightMm, laid }) => ({
      foamId,
      nominalMm,
      widthMm,
      heightMm,
      laid,
    })),
    tooBig,
  };
}
