import { boundsOf, signedArea } from '../../geometry';
import { chance } from '../../units';
import { fitsSheet, type Packed, packSheets } from '../packing';
import { laidOutline, type Sheet, type SheetSize, type ToLay } from '../sheets';
import { type Fixed, laidInOrder, startTables, type Turn } from './lay';
import { leastSheets } from './leastSheets';
import { NoFits } from './noFit';

/** How far nesting has come: the best layout so far, and what no layout can better. */
export interface Nested {
  packed: Packed;
  tries: number;
  /** Whole ones; offcuts come before them and are not counted. */
  sheets: number;
  /** Share of the whole sheets that is pieces, and length used of the last one, mm. */
  used: number;
  lastMm: number;
  /** Fewest whole sheets that any layout takes, by the area of the pieces and by the largest of them. */
  leastSheets: number;
}

/** Coarse cells for a first answer, fine ones for better, mm. */
const COARSE_MM = 10;
const FINE_MM = 2.5;

/** How much worse an order may be and still be gone on from, and how that cools with every try; shares. */
const WARM = 0.06;
const COOLS = 0.985;
const COLD = 0.002;
/** How often a change is of the way a piece lies rather than of its turn, and more ways than any piece has. */
const WAYS = 0.35;
const MOST_WAYS = 5040;

/** What the mean place of the pieces on the last sheet counts beside the length used of it: it leads over level ground. */
const MIDDLE = 0.5;

const areaOf = ({ piece }: ToLay): number => Math.abs(signedArea(piece.outline));
const keyOf = ({ partId, pieceId }: { partId: string; pieceId: string }): string => `${partId}/${pieceId}`;

/** Length used of the last whole sheet from its left edge, and the mean place of its pieces, weighed by their boxes. */
function lastOf(
  sheets: readonly Sheet[],
  items: ReadonlyMap<string, ToLay>,
): { lastMm: number; middleMm: number } {
  const last = sheets.findLast((s) => !s.offcut)?.laid ?? [];
  const boxes = last.map((l) => boundsOf(laidOutline(items.get(keyOf(l))!.piece.outline, l)));
  const weigh = (b: (typeof boxes)[number]): number => (b.maxX - b.minX) * (b.maxY - b.minY);
  const whole = boxes.reduce((sum, b) => sum + weigh(b), 0) || 1;
  return {
    lastMm: Math.max(0, ...boxes.map((b) => b.maxX)),
    middleMm: boxes.reduce((sum, b) => sum + ((b.minX + b.maxX) / 2) * weigh(b), 0) / whole,
  };
}

/** The pieces that are locked where they lie, and those that are free to be laid anew. */
function partedBy(from: readonly Sheet[], items: readonly ToLay[]): { fixed: Fixed[]; free: ToLay[] } {
  const free = [...items];
  const fixed = from.flatMap((sheet): Fixed[] => {
    const held = sheet.laid
      .filter((l) => l.locked)
      .map((laid) => {
        const own = laid.flipped !== (laid.over ?? false);
        const at = free.findIndex(
          (i) => i.partId === laid.partId && i.piece.id === laid.pieceId && i.flipped === own,
        );
        return { laid, item: free.splice(at, 1)[0]! };
      });
    return held.length > 0 ? [{ sheet, held }] : [];
  });
  return { fixed, free };
}

/**
 * Layouts of true shapes, each no worse than the one before: first the boxes, then the pieces by size in coarse cells,
 * then in fine ones, then in orders a little changed, for as long as it is asked. The same pieces and seed give the same
 * layouts. What was found before, `from`, is gone on from: nothing worse is told, and what is locked in it stays. Pieces
 * are laid as far left as they go without touching (a bottom-left heuristic on a raster; Dowsland, Vaid and Dowsland,
 * 2002), spots found in no-fit regions.
 */
export function* nesting(
  items: readonly ToLay[],
  size: SheetSize,
  spacingMm: number,
  seed = 1,
  from: readonly Sheet[] = [],
): Generator<Nested, void> {
  const { fixed, free } = partedBy(from, items);
  const boxes = fixed.length > 0 ? { sheets: [...from], tooBig: [] } : packSheets(items, size, spacingMm);
  const laidByBoxes = new Set(boxes.sheets.flatMap((s) => s.laid.map(keyOf)));
  const fitting = free.filter(
    (i) => laidByBoxes.has(`${i.partId}/${i.piece.id}`) || fitsSheet(i.piece.outline, size, spacingMm),
  );
  const byId = new Map(items.map((i) => [`${i.partId}/${i.piece.id}`, i]));
  const sheetMm2 = size.widthMm * size.heightMm;
  const areaOn = (s: Sheet): number => s.laid.reduce((sum, l) => sum + areaOf(byId.get(keyOf(l))!), 0);
  const least = leastSheets(
    [...fitting, ...fixed.flatMap((f) => f.held.map((h) => h.item))].map(areaOf),
    sheetMm2,
    (size.offcuts ?? []).map((o) => Math.abs(signedArea(o.outline))),
  );
  const count = boxes.sheets.reduce((sum, s) => sum + s.laid.length, 0);
  let tries = 0;
  const told = (sheets: Sheet[]): Nested & { score: number } => {
    const { lastMm, middleMm } = lastOf(sheets, byId);
    const whole = sheets.filter((s) => !s.offcut);
    return {
      packed: { sheets, tooBig: boxes.tooBig },
      tries,
      sheets: whole.length,
      used: whole.length === 0 ? 0 : whole.reduce((sum, s) => sum + areaOn(s), 0) / (whole.length * sheetMm2),
      lastMm,
      leastSheets: least,
      score: Math.max(0, whole.length - 1) * size.widthMm + lastMm + MIDDLE * middleMm,
    };
  };
  const whole = (sheets: readonly Sheet[]): boolean =>
    sheets.reduce((sum, s) => sum + s.laid.length, 0) === count;
  let best = told(boxes.sheets);
  const take = (sheets: Sheet[]): boolean => {
    tries += 1;
    const now = told(sheets);
    const better =
      whole(sheets) &&
      (now.sheets < best.sheets || (now.sheets === best.sheets && now.lastMm < best.lastMm - 1e-6));
    best = { ...(better ? now : best), tries };
    return better;
  };
  if (from.length > 0 && fixed.length === 0) take([...from]);
  yield best;
  const noFits = new NoFits();
  const laid = (order: readonly Turn[], cellMm: number) =>
    laidInOrder(order, size, startTables(size, fixed, cellMm, spacingMm), cellMm, spacingMm, noFits);
  let order: Turn[] = [...fitting].sort((a, b) => areaOf(b) - areaOf(a)).map((item) => ({ item }));
  const coarse = laid(order, COARSE_MM);
  take(coarse.sheets);
  yield best;
  // From here on every piece keeps the way it was laid, unless it is the way that is changed: far more can be tried.
  if (coarse.order.length === order.length) order = coarse.order;
  const fine = laid(order, FINE_MM);
  take(fine.sheets);
  if (fine.order.length === order.length) order = fine.order;
  yield best;
  const start = startTables(size, fixed, FINE_MM, spacingMm);
  const random = chance(seed);
  const length = order.length;
  let current = { order, score: told(fine.sheets).score };
  let warm = WARM;
  while (length > 1) {
    const next = [...current.order];
    // A few changes: two swapped, one sent to the front, or one laid another way.
    for (let k = 0; k < 1 + Math.floor(random() * 3); k++) {
      const [i, j] = [Math.floor(random() * length), Math.floor(random() * length)];
      if (random() < WAYS) next[i] = { item: next[i]!.item, only: Math.floor(random() * MOST_WAYS) };
      else if (random() < 0.3) next.unshift(...next.splice(i, 1));
      else [next[i], next[j]] = [next[j]!, next[i]!];
    }
    const { sheets } = laidInOrder(next, size, start, FINE_MM, spacingMm, noFits);
    const now = told(sheets);
    const better = take(sheets);
    if (better) order = next;
    // Warm, it goes on from a somewhat worse order, so as not to be caught; cold, it begins anew from the best.
    const score = whole(sheets) ? now.score : Infinity;
    if (score <= current.score * (1 + warm * random())) current = { order: next, score };
    warm *= COOLS;
    if (warm < COLD) {
      warm = WARM;
      current = { order, score: best.score };
    }
    yield best;
  }
}
