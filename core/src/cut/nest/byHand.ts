import { findIn } from '../../units';
import { boundsOf, common, grown, type Region, rotate2, signedArea, type Vec2 } from '../../geometry';
import {
  laidOutline,
  outsideOf,
  roomyHoles,
  type Sheet,
  type SheetSize,
  type ToLay,
  wholeSheet,
} from '../sheets';

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
/** A piece put down this near to others or to an edge is pushed against them, mm, in steps as fine as this. */
const SNAP_MM = 8;
const FINE_MM = 0.05;
/** Overlaps smaller than this are rounding, mm². */
const TOUCH_MM2 = 0.05;

/** A ring that runs counter-clockwise (1) or clockwise (-1). */
const sense = (ring: Vec2[], way: 1 | -1): Vec2[] =>
  signedArea(ring) * way < 0 ? [...ring].reverse() : ring;

/** A clear spot moved against what is nearest: the shortest way, of eight, to something within reach; then along it. */
function snapped(spot: Vec2, clearAt: (x: number, y: number) => boolean): Vec2 {
  let at = spot;
  for (let turn = 0; turn < 2; turn++) {
    let best: { k: number; mm: number } | undefined;
    for (let k = 0; k < 8; k++) {
      const [dx, dy] = [Math.cos((k * Math.PI) / 4), Math.sin((k * Math.PI) / 4)];
      if (clearAt(at.x + dx * SNAP_MM, at.y + dy * SNAP_MM)) continue;
      let [clear, taken] = [0, SNAP_MM];
      while (taken - clear > FINE_MM) {
        const middle = (clear + taken) / 2;
        if (clearAt(at.x + dx * middle, at.y + dy * middle)) clear = middle;
        else taken = middle;
      }
      // What it lies against already is left alone.
      if (clear > 2 * FINE_MM && (!best || clear < best.mm)) best = { k, mm: clear };
    }
    if (!best) break;
    const a = (best.k * Math.PI) / 4;
    at = { x: at.x + best.mm * Math.cos(a), y: at.y + best.mm * Math.sin(a) };
  }
  return at;
}

/**
 * The sheets with one piece moved by hand: to where it is asked, or to the nearest spot there that is on the sheet and
 * clear of the others by the spacing; the same piece never lies on two. Nothing when there is no clear spot near. A sheet
 * left empty is put away; one past the last is a fresh one. Near others or an edge it is pushed against them.
 */
export function movedByHand(
  sheets: readonly Sheet[],
  items: readonly ToLay[],
  of: SheetSize,
  { sheet: from, piece, toSheet, byMm, turnRad }: HandMove,
  spacingMm: number,
): Sheet[] | undefined {
  const laid = sheets[from]?.laid[piece];
  const item = items.find((i) => laid && i.partId === laid.partId && i.piece.id === laid.pieceId);
  if (!laid || !item || toSheet > sheets.length) return undefined;
  const pieceOf = (l: Sheet['laid'][number]): ToLay['piece'] =>
    findIn(items, (i) => i.partId === l.partId && i.piece.id === l.pieceId).piece;
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
  const whole = wholeSheet(of);
  const size = sheets[toSheet] ?? whole;
  const others = (sheets[toSheet]?.laid ?? [])
    .filter((_, i) => toSheet !== from || i !== piece)
    .map((l): { region: Region; box: ReturnType<typeof boundsOf> } => {
      const { outline, holes } = pieceOf(l);
      const ring = sense(laidOutline(outline, l), 1);
      const rooms = roomyHoles({ holes }).map((hole) => sense(laidOutline(hole, l), -1));
      return { region: [ring, ...rooms], box: boundsOf(ring) };
    });
  if (size.offcut) {
    const [round, ...foam] = outsideOf(size, size.offcut, 0);
    const outside = [sense(round!, 1), ...foam.map((ring) => [...ring].reverse())];
    others.push({ region: outside, box: boundsOf(round!) });
  }
  const base = laidOutline(item.piece.outline, asked);
  const wide = grown([sense(base, 1)], spacingMm, 'rounded');
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
    return others.every(({ region, box: o }) => {
      if (
        o.minX > box.maxX + dx + spacingMm ||
        o.maxX < box.minX + dx - spacingMm ||
        o.minY > box.maxY + dy + spacingMm ||
        o.maxY < box.minY + dy - spacingMm
      )
        return true;
      const moved = wide.map((ring) => ring.map((p) => ({ x: p.x + dx, y: p.y + dy })));
      return common(moved, region).reduce((sum, r) => sum + Math.abs(signedArea(r)), 0) < TOUCH_MM2;
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
  const found = spots.find((s) => clearAt(s.x, s.y));
  if (!found) return undefined;
  const spot = snapped(found, clearAt);
  const box = boundsOf(base);
  const there = {
    ...asked,
    x: asked.x + spot.x,
    y: asked.y + spot.y,
    widthMm: box.maxX - box.minX,
    heightMm: box.maxY - box.minY,
  };
  const fresh: Sheet[] = toSheet === sheets.length ? [...sheets, whole] : [...sheets];
  return fresh
    .map((sheet, i): Sheet => {
      const kept = i === from ? sheet.laid.filter((_, k) => k !== piece) : sheet.laid;
      return { ...sheet, nested: true, laid: i === toSheet ? [...kept, there] : kept };
    })
    .filter((sheet) => sheet.laid.length > 0);
}
