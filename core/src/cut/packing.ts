import { itemAt, firstOf } from '../units';
import { boundsOf, convexHull, type Vec2 } from '../geometry';
import type { Offcut, Turns } from '../materials';
import { type Rect, snuggest, take } from './freeRoom';
import { cellsOf, runsOf } from './nest/raster';
import {
  laidOutline,
  offcutSheet,
  outsideOf,
  type Sheet,
  type SheetSize,
  type ToLay,
  wholeSheet,
} from './sheets';

export interface Packed {
  sheets: Sheet[];
  /** Pieces that fit no sheet at any turn. */
  tooBig: { pieceId: string; partId: string; name: string; lengthMm: number }[];
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

function boxAt(outline: readonly Vec2[], flipped: boolean, turnRad: number): Box {
  const b = boundsOf(laidOutline(outline, { flipped, turnRad, x: 0, y: 0 }));
  return { turnRad, widthMm: b.maxX - b.minX, heightMm: b.maxY - b.minY, minX: b.minX, minY: b.minY };
}

/** The turn in which an outline takes the least box, on its long side. */
export const lyingTurn = (outline: readonly Vec2[]): number => boxOf(outline, false).turnRad;

const areaOf = ({ widthMm, heightMm }: Box): number => widthMm * heightMm;

/** The turn of least box area, among whole 3° steps; lies on its long side. */
function tightestBox(outline: readonly Vec2[], flipped: boolean): Box {
  const hull = convexHull(outline);
  let best: Box | undefined;
  for (let i = 0; i < TURN_STEPS; i++) {
    const box = boxAt(hull, flipped, (i / TURN_STEPS) * Math.PI);
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

/** The boxes a piece may be laid in by the foam's grain. */
export function boxesOf(outline: readonly Vec2[], flipped: boolean, turns: Turns = 'any'): Box[] {
  const box = turns === 'any' ? boxOf(outline, flipped) : boxAt(outline, flipped, 0);
  return turns === 'halves' ? [box] : [box, quarter(box)];
}

/** Cells that an offcut's free rectangles are looked for in, mm. */
const OFFCUT_CELL_MM = 20;

/** The largest level rectangles within an offcut. */
function roomIn(sheet: Sheet, offcut: Offcut): Rect[] {
  const outside = cellsOf(outsideOf(sheet, offcut, 0), OFFCUT_CELL_MM, {
    minX: 0,
    minY: 0,
    maxX: sheet.widthMm,
    maxY: sheet.heightMm,
  });
  let free: Rect[] = [{ x: 0, y: 0, width: sheet.widthMm, height: sheet.heightMm }];
  runsOf(outside).forEach((runs, column) => {
    for (let k = 0; k < runs.length; k += 2)
      free = take(free, {
        x: column * OFFCUT_CELL_MM,
        y: itemAt(runs, k) * OFFCUT_CELL_MM,
        width: OFFCUT_CELL_MM,
        height: (itemAt(runs, k + 1) - itemAt(runs, k)) * OFFCUT_CELL_MM,
      });
  });
  return free;
}

/** Room that something as large as its box and the spacing on two sides may take, the spacing on the others kept. */
const kept = (free: readonly Rect[], spacingMm: number): Rect[] =>
  free.map(({ x, y, width, height }) => ({
    x: x + spacingMm,
    y: y + spacingMm,
    width: width - spacingMm,
    height: height - spacingMm,
  }));

/**
 * Lays pieces by their tightest boxes, the largest first, each on the first sheet with room, offcuts before whole ones,
 * and there in the free rectangle that it fills most snugly, lying or standing (maximal rectangles: Jylänki, A Thousand
 * Ways to Pack the Bin, 2010). Boxes never overlap and keep `spacingMm` from each other and from the sheet's edge.
 */
export function packSheets(items: readonly ToLay[], size: SheetSize, spacingMm: number): Packed {
  const tooBig: Packed['tooBig'] = [];
  const whole = (): { sheet: Sheet; free: Rect[] } => {
    const sheet = wholeSheet(size);
    return {
      sheet,
      free: kept([{ x: 0, y: 0, width: sheet.widthMm, height: sheet.heightMm }], spacingMm),
    };
  };
  const sheets = (size.offcuts ?? []).map((offcut) => {
    const sheet = offcutSheet(size, offcut);
    return { sheet, free: kept(roomIn(sheet, offcut), spacingMm) };
  });
  const boxed = items
    .map((item) => ({ item, turned: boxesOf(item.piece.outline, item.flipped, size.turns) }))
    .sort((a, b) => areaOf(firstOf(b.turned)) - areaOf(firstOf(a.turned)));
  for (const { item, turned } of boxed) {
    const placeIn = (free: readonly Rect[]): { rect: Rect; spare: number; box: Box } | undefined =>
      turned
        .flatMap((b) => {
          const found = snuggest(free, b.widthMm + spacingMm, b.heightMm + spacingMm);
          return found ? [{ ...found, box: b }] : [];
        })
        .reduce<{ rect: Rect; spare: number; box: Box } | undefined>(
          (best, f) => (!best || f.spare < best.spare - 1e-6 ? f : best),
          undefined,
        );
    let on = sheets.find(({ free }) => placeIn(free));
    if (!on) {
      const fresh = whole();
      if (!placeIn(fresh.free)) {
        tooBig.push({
          pieceId: item.piece.id,
          partId: item.partId,
          name: item.piece.name,
          lengthMm: Math.max(firstOf(turned).widthMm, firstOf(turned).heightMm),
        });
        continue;
      }
      sheets.push(fresh);
      on = fresh;
    }
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
  return { sheets: sheets.map(({ sheet }) => sheet).filter((s) => s.laid.length > 0), tooBig };
}

/** Whether a piece lies on a whole sheet at some turn. */
export function fitsSheet(
  outline: readonly Vec2[],
  size: Pick<SheetSize, 'widthMm' | 'heightMm' | 'turns'>,
  spacingMm: number,
): boolean {
  return boxesOf(outline, false, size.turns).some(
    (b) => b.widthMm + 2 * spacingMm <= size.widthMm && b.heightMm + 2 * spacingMm <= size.heightMm,
  );
}
