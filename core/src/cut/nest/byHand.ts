import { boundsOf, common, grown, rotate2, signedArea, type Vec2 } from '../../geometry';
import { laidOutline, type Sheet, type ToLay } from '../packing';

/** A piece taken from where it lies to another sheet or spot, turned further about its middle. */
export interface HandMove {
  sheet: number;
  piece: number;
  toSheet: number;
  byMm: Vec2;
  turnRad: number;
}

/** How far round the spot that is asked for a clear one is looked for, and in what steps, mm. */
const REACH_MM = 90;
const STEP_MM = 2;
const WAYS = 24;
/** Overlaps smaller than this are rounding, mm². */
const TOUCH_MM2 = 0.05;

/**
 * The sheets with one piece moved by hand: to where it is asked, or to the nearest spot there that is on the sheet and
 * clear of the others by the spacing; the same piece never lies on two. Nothing when there is no clear spot near. A sheet
 * left empty is put away; one past the last is a fresh one.
 */
export function movedByHand(
  sheets: readonly Sheet[],
  items: readonly ToLay[],
  { sheet: from, piece, toSheet, byMm, turnRad }: HandMove,
  spacingMm: number,
): Sheet[] | undefined {
  const laid = sheets[from]?.laid[piece];
  const item = items.find((i) => laid && i.partId === laid.partId && i.piece.id === laid.pieceId);
  if (!laid || !item || toSheet > sheets.length) return undefined;
  const outlineOf = (l: Sheet['laid'][number]): readonly Vec2[] =>
    items.find((i) => i.partId === l.partId && i.piece.id === l.pieceId)!.piece.outline;
  // Turned about the middle of its box as it lies.
  const b = boundsOf(laidOutline(item.piece.outline, laid));
  const middle = { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  const arm = rotate2({ x: laid.x - middle.x, y: laid.y - middle.y }, turnRad);
  const asked = {
    ...laid,
    turnRad: laid.turnRad + turnRad,
    x: middle.x + arm.x + byMm.x,
    y: middle.y + arm.y + byMm.y,
  };
  const size = sheets[toSheet] ?? sheets[0]!;
  const others = (sheets[toSheet]?.laid ?? [])
    .filter((_, i) => toSheet !== from || i !== piece)
    .map((l) => {
      const outline = laidOutline(outlineOf(l), l);
      return { outline, box: boundsOf(outline) };
    });
  const base = laidOutline(item.piece.outline, asked);
  const wide = grown([signedArea(base) < 0 ? [...base].reverse() : base], spacingMm, 'rounded');
  const edge = spacingMm / 2;
  const clearAt = (dx: number, dy: number): boolean => {
    const box = boundsOf(base);
    if (
      box.minX + dx < edge - 1e-6 ||
      box.minY + dy < edge - 1e-6 ||
      box.maxX + dx > size.widthMm - edge + 1e-6 ||
      box.maxY + dy > size.heightMm - edge + 1e-6
    )
      return false;
    return others.every(({ outline, box: o }) => {
      if (
        o.minX > box.maxX + dx + spacingMm ||
        o.maxX < box.minX + dx - spacingMm ||
        o.minY > box.maxY + dy + spacingMm ||
        o.maxY < box.minY + dy - spacingMm
      )
        return true;
      const moved = wide.map((ring) => ring.map((p) => ({ x: p.x + dx, y: p.y + dy })));
      return common(moved, [outline]).reduce((sum, r) => sum + Math.abs(signedArea(r)), 0) < TOUCH_MM2;
    });
  };
  const spots = [
    { x: 0, y: 0 },
    ...Array.from({ length: Math.floor(REACH_MM / STEP_MM) }, (_, r) =>
      Array.from({ length: WAYS }, (_, k) => ({
        x: (r + 1) * STEP_MM * Math.cos((2 * Math.PI * k) / WAYS),
        y: (r + 1) * STEP_MM * Math.sin((2 * Math.PI * k) / WAYS),
      })),
    ).flat(),
  ];
  const spot = spots.find((s) => clearAt(s.x, s.y));
  if (!spot) return undefined;
  const box = boundsOf(base);
  const there = {
    ...asked,
    x: asked.x + spot.x,
    y: asked.y + spot.y,
    widthMm: box.maxX - box.minX,
    heightMm: box.maxY - box.minY,
  };
  const fresh: Sheet[] = toSheet === sheets.length ? [...sheets, { ...sheets[0]!, laid: [] }] : [...sheets];
  return fresh
    .map((sheet, i): Sheet => {
      const kept = i === from ? sheet.laid.filter((_, k) => k !== piece) : sheet.laid;
      return { ...sheet, nested: true, laid: i === toSheet ? [...kept, there] : kept };
    })
    .filter((sheet) => sheet.laid.length > 0);
}
