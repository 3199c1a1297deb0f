import { boundsOf, signedArea } from '../../geometry';
import { chance, getFrom, firstOf } from '../../units';
import { fitsSheet, type Packed, packSheets } from '../packing';
import { laidOutline, type Sheet, type SheetSize, type ToLay } from '../sheets';
import { type Fixed, laidInOrder, sheetsOf, startTables, type Table, type Turn } from './lay';
import { closing } from './closing';
import { type Closer, jostled, slidTogether } from './closer';
import { leastSheets } from './leastSheets';
import { levelBlocks, sheetsOfSkyline } from './levelBlocks';
import { NoFits } from './noFit';
import { skylines } from './skyline';

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

/** Coarse cells for a first answer, middling ones to search in, fine ones to end in, mm. */
const COARSE_MM = 10;
const MIDDLING_MM = 5;
const FINE_MM = 2.5;
/** Layouts in middling cells before it goes over to fine ones. */
const MIDDLING = 400;

/** So many orders are tried before the best is closed up; of so few pieces more of them, one in so many moves. */
const ORDERS = 30;
const FEW = 12;
const BETWEEN = 50;

/** How much worse an order may be and still be gone on from, and how that cools with every try; shares. */
const WARM = 0.06;
const COOLS = 0.985;
const COLD = 0.002;
/** How often a change is of the way a piece lies rather than of its turn, and more ways than any piece has. */
const WAYS = 0.35;
const MOST_WAYS = 5040;

/** What the mean place of the pieces on the last sheet counts beside the length used of it: it leads over level ground. */
const MIDDLE = 0.5;

/** The best is jostled when so many steps of the search have come to nothing better. */
const QUIET = 40;

const areaOf = ({ piece }: ToLay): number => Math.abs(signedArea(piece.outline));
const keyOf = ({ partId, pieceId }: { partId: string; pieceId: string }): string => `${partId}/${pieceId}`;

/** Length used of the last whole sheet from its left edge, and the mean place of its pieces, weighed by their boxes. */
function lastOf(
  sheets: readonly Sheet[],
  items: ReadonlyMap<string, ToLay>,
): { lastMm: number; middleMm: number } {
  const last = sheets.findLast((s) => !s.offcut)?.laid ?? [];
  const boxes = last.map((l) => boundsOf(laidOutline(getFrom(items, keyOf(l)).piece.outline, l)));
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
        return { laid, item: firstOf(free.splice(at, 1)) };
      });
    return held.length > 0 ? [{ sheet, held }] : [];
  });
  return { fixed, free };
}

/**
 * Layouts of true shapes, each no worse than the one before: first the boxes, then the pieces by size in coarse cells,
 * then some orders a little changed in finer ones, laid as far left as they go without touching (a bottom-left heuristic
 * on a raster; Dowsland, Vaid and Dowsland, 2002); then the best is closed up into less and less of the last sheet, for
 * as long as it is asked. Whatever is better is slid together exactly, and jostled when nothing better comes. Rectangles
 * alone are laid exactly instead, in better and better skylines, until none can be better. The same pieces and seed give
 * the same layouts. What was found before, `from`, is gone on from: nothing worse is reported, and what is locked in it
 * stays, even if that is all there is in it.
 */
export function* nesting(
  items: readonly ToLay[],
  size: SheetSize,
  spacingMm: number,
  seed = 1,
  from: readonly Sheet[] = [],
): Generator<Nested, void> {
  const { fixed, free } = partedBy(from, items);
  const noFits = new NoFits();
  const starts = new Map<number, Table[]>();
  const laid = (turns: readonly Turn[], cellMm: number, mostMm = Infinity) => {
    let start = starts.get(cellMm);
    if (!start) starts.set(cellMm, (start = startTables(size, fixed, cellMm, spacingMm)));
    const found = laidInOrder(turns, size, start, cellMm, spacingMm, noFits, mostMm);
    return found && { ...found, sheets: sheetsOf(found.tables, found.placed, cellMm, spacingMm) };
  };
  const bySize = (of: readonly ToLay[]): Turn[] =>
    [...of].sort((a, b) => areaOf(b) - areaOf(a)).map((item) => ({ item }));
  const boxes = firstOf();
  const laidAtFirst = new Set(boxes.sheets.flatMap((s) => s.laid.map(keyOf)));
  const fitting = free.filter(
    (i) => laidAtFirst.has(`${i.partId}/${i.piece.id}`) || fitsSheet(i.piece.outline, size, spacingMm),
  );
  /** Boxes, which are there at once; round what is locked, what was there before or coarse cells. */
  function firstOf(): Packed {
    if (fixed.length === 0) return packSheets(items, size, spacingMm);
    if (from.reduce((sum, s) => sum + s.laid.length, 0) === items.length)
      return { sheets: [...from], tooBig: [] };
    return {
      sheets: laid(bySize(free), COARSE_MM)!.sheets,
      tooBig: packSheets(free, size, spacingMm).tooBig,
    };
  }
  const byId = new Map(items.map((i) => [`${i.partId}/${i.piece.id}`, i]));
  const sheetMm2 = size.widthMm * size.heightMm;
  const areaOn = (s: Sheet): number => s.laid.reduce((sum, l) => sum + areaOf(getFrom(byId, keyOf(l))), 0);
  const least = leastSheets(
    [...fitting, ...fixed.flatMap((f) => f.held.map((h) => h.item))].map(areaOf),
    sheetMm2,
    (size.offcuts ?? []).map((o) => Math.abs(signedArea(o.outline))),
  );
  const count = boxes.sheets.reduce((sum, s) => sum + s.laid.length, 0);
  let tries = 0;
  /** Where whole sheets laid end to end are used up to. */
  const endOf = (n: Pick<Nested, 'sheets' | 'lastMm'>): number =>
    Math.max(0, n.sheets - 1) * size.widthMm + n.lastMm;
  const reported = (sheets: Sheet[]): Nested & { score: number } => {
    const { lastMm, middleMm } = lastOf(sheets, byId);
    const whole = sheets.filter((s) => !s.offcut);
    return {
      packed: { sheets, tooBig: boxes.tooBig },
      tries,
      sheets: whole.length,
      used: whole.length === 0 ? 0 : whole.reduce((sum, s) => sum + areaOn(s), 0) / (whole.length * sheetMm2),
      lastMm,
      leastSheets: least,
      score: endOf({ sheets: whole.length, lastMm }) + MIDDLE * middleMm,
    };
  };
  const whole = (sheets: readonly Sheet[]): boolean =>
    sheets.reduce((sum, s) => sum + s.laid.length, 0) === count;
  let best = reported(boxes.sheets);
  let quiet = 0;
  /** The best is what ends first. */
  const keep = (sheets: Sheet[]): void => {
    const now = reported(sheets);
    const better =
      whole(sheets) &&
      (now.sheets < best.sheets || (now.sheets === best.sheets && now.lastMm < best.lastMm - 1e-6));
    if (better) quiet = 0;
    best = { ...(better ? now : best), tries };
  };
  const slides = chance(seed);
  /** Layouts with the pieces of the last whole sheet brought closer together. */
  const lastSheet = (sheets: readonly Sheet[], brought: Closer): Sheet[] => {
    const last = sheets.findLastIndex((s) => !s.offcut);
    return sheets.map((s, i) => (i === last ? brought(s, byId, spacingMm, slides) : s));
  };
  /** Counts how long nothing better came; the best is jostled after a while. */
  const wait = (): void => {
    quiet += 1;
    if (quiet === QUIET) keep(lastSheet(best.packed.sheets, jostled));
  };
  /** Where the best layout ends as it was laid. */
  let leastMm = Infinity;
  /** Takes a layout, and what it becomes slid together where it is the best as it was laid. */
  const take = (sheets: Sheet[]): void => {
    tries += 1;
    if (!whole(sheets)) return;
    const endMm = endOf(reported(sheets));
    const better = endMm < leastMm - 1e-6;
    leastMm = Math.min(leastMm, endMm);
    keep(sheets);
    if (better) keep(lastSheet(sheets, slidTogether));
  };
  if (from.length > 0 && fixed.length === 0) take([...from]);
  yield best;
  /** The best order so far, told. */
  let order = bySize(fitting);
  // From the first on every piece keeps the way it was laid, unless it is the way that is changed: far more can be tried.
  const anew = (cellMm: number): number => {
    const now = laid(order, cellMm)!;
    take(now.sheets);
    if (now.placed.length === order.length) order = now.placed.map(({ item, way }) => ({ item, only: way }));
    return reported(now.sheets).score;
  };
  const random = chance(seed);
  // Rectangles alone on whole sheets are laid exactly, without cells.
  const blocks =
    fixed.length === 0 && (size.offcuts ?? []).length === 0 && fitting.length > 1
      ? levelBlocks(fitting, size, spacingMm)
      : undefined;
  if (blocks) {
    const [along, across] = [size.widthMm - spacingMm, size.heightMm - spacingMm];
    for (const line of skylines(blocks, along, across, random)) {
      tries += 1;
      keep(sheetsOfSkyline(line, fitting, size, spacingMm));
      yield best;
    }
    return;
  }
  anew(COARSE_MM);
  yield best;
  /** Orders a little changed, in middling cells and then in fine ones. */
  function* ordering(): Generator<void> {
    for (const [cellMm, most] of [
      [MIDDLING_MM, MIDDLING],
      [FINE_MM, Infinity],
    ] as const) {
      let bestScore = anew(cellMm);
      yield;
      let current = { order, score: bestScore };
      let warm = WARM;
      for (let n = 0; n < most; n++) {
        const next = changed(current.order, random);
        const limit = current.score * (1 + warm * random());
        const bound = Math.max(limit, leastMm);
        const now = laid(next, cellMm, bound);
        if (now) {
          // Warm, it goes on from a somewhat worse order, so as not to be caught; cold, it begins anew from the best.
          const score = whole(now.sheets) ? reported(now.sheets).score : Infinity;
          take(now.sheets);
          if (score < bestScore) [order, bestScore] = [next, score];
          if (score <= limit) current = { order: next, score };
        } else tries += 1;
        warm *= COOLS;
        if (warm < COLD) {
          warm = WARM;
          current = { order, score: bestScore };
        }
        yield;
      }
    }
  }
  if (order.length < 2) {
    anew(FINE_MM);
    yield best;
    return;
  }
  const orders = ordering();
  for (let n = 0; n < ORDERS && !orders.next().done; n++) {
    wait();
    yield { ...best, tries };
  }
  let closer = closing(best.packed.sheets, items, size, spacingMm, random);
  for (let n = 0, going = true; going; n++) {
    const { value: tried, done } = closer.next();
    if (tried) tries += 1;
    if (tried?.found) keep(tried.found);
    going = !done;
    if (order.length <= FEW && (done || n % BETWEEN === 0)) {
      const before = best;
      going = !orders.next().done;
      if (best.lastMm < before.lastMm || best.sheets < before.sheets)
        closer = closing(best.packed.sheets, items, size, spacingMm, random);
    }
    if (tried) wait();
    yield { ...best, tries };
  }
}

/** A few changes: two swapped, one sent to the front, or one laid another way. */
function changed(order: readonly Turn[], random: () => number): Turn[] {
  const next = [...order];
  for (let k = 0; k < 1 + Math.floor(random() * 3); k++) {
    const [i, j] = [Math.floor(random() * next.length), Math.floor(random() * next.length)];
    if (random() < WAYS) next[i] = { item: next[i]!.item, only: Math.floor(random() * MOST_WAYS) };
    else if (random() < 0.3) next.unshift(...next.splice(i, 1));
    else [next[i], next[j]] = [next[j]!, next[i]!];
  }
  return next;
}
