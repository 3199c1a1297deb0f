import { boundsOf, convexHull, rotate2, type Vec2 } from '../geometry';
import type { Piece } from '../panel';
import { snuggest, take, type Rect } from './freeRoom';

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
  /** Of true shapes, as it was searched for. */
  nested?: true;
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

/** The same box a quarter turn on. */
const quarter = (b: Box): Box => ({
  turnRad: b.turnRad + Math.PI / 2,
  widthMm: b.heightMm,
  heightMm: b.widthMm,
  minX: -(b.minY + b.heightMm),
  minY: b.minX,
});

/**
 * Lays pieces by their tightest boxes, the largest first, each in the first sheet with room and there in the free
 * rectangle that it fills most snugly, lying or standing (maximal rectangles: Jylänki, A Thousand Ways to Pack the Bin,
 * 2010). Boxes never overlap and keep `spacingMm` from each other and from the sheet's edge.
 */
export function packSheets(
  items: readonly ToLay[],
  size: { foamId: string; nominalMm: number; widthMm: number; heightMm: number },
  spacingMm: number,
): Packed {
  const sheets: { sheet: Sheet; free: Rect[] }[] = [];
  const tooBig: Packed['tooBig'] = [];
  const whole = (): Rect => ({
    x: spacingMm,
    y: spacingMm,
    width: size.widthMm - spacingMm,
    height: size.heightMm - spacingMm,
  });
  const boxed = items
    .map((item) => ({ item, box: boxOf(item.piece.outline, item.flipped) }))
    .sort((a, b) => b.box.widthMm * b.box.heightMm - a.box.widthMm * a.box.heightMm);
  for (const { item, box } of boxed) {
    const turns = [box, quarter(box)];
    const placeIn = (free: readonly Rect[]): { rect: Rect; spare: number; box: Box } | undefined =>
      turns
        .flatMap((b) => {
          const found = snuggest(free, b.widthMm + spacingMm, b.heightMm + spacingMm);
          return found ? [{ ...found, box: b }] : [];
        })
        .reduce<{ rect: Rect; spare: number; box: Box } | undefined>(
          (best, f) => (!best || f.spare < best.spare - 1e-6 ? f : best),
          undefined,
        );
    if (!placeIn([whole()])) {
      tooBig.push({
        pieceId: item.piece.id,
        partId: item.partId,
        name: item.piece.name,
        lengthMm: box.widthMm,
      });
      continue;
    }
    if (!sheets.some(({ free }) => placeIn(free)))
      sheets.push({ sheet: { ...size, laid: [] }, free: [whole()] });
    const on = sheets.find(({ free }) => placeIn(free))!;
    const { rect, box: laid } = placeIn(on.free)!;
    on.sheet.laid.push({
      pieceId: item.piece.id,
      partId: item.partId,
      flipped: item.flipped,
      turnRad: laid.turnRad,
      x: rect.x - laid.minX,
      y: rect.y - laid.minY,
      widthMm: laid.widthMm,
      heightMm: laid.heightMm,
    });
    on.free = take(on.free, {
      x: rect.x,
      y: rect.y,
      width: laid.widthMm + spacingMm,
      height: laid.heightMm + spacingMm,
    });
  }
  return { sheets: sheets.map(({ sheet }) => sheet), tooBig };
}

/** Whether a piece lies on a sheet of a size at some turn. */
export function fitsSheet(
  outline: readonly Vec2[],
  size: { widthMm: number; heightMm: number },
  spacingMm: number,
): boolean {
  const box = boxOf(outline, false);
  return [box, quarter(box)].some(
    (b) => b.widthMm + 2 * spacingMm <= size.widthMm && b.heightMm + 2 * spacingMm <= size.heightMm,
  );
}
