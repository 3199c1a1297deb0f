import { boundsOf, signedArea } from '../../geometry';
import { fitsSheet, laidOutline, type Packed, packSheets, type Sheet, type ToLay } from '../packing';
import { type Cells, clear, fill, noCells } from './raster';
import { type Way, waysOf } from './ways';

export interface SheetSize {
  foamId: string;
  nominalMm: number;
  widthMm: number;
  heightMm: number;
}

/** How far nesting has come: the best layout so far, and what no layout can better. */
export interface Nested {
  packed: Packed;
  tries: number;
  sheets: number;
  /** Share of all sheets that is pieces, and length used of the last one, mm. */
  used: number;
  lastMm: number;
  /** Fewest sheets that the area of the pieces allows. */
  leastSheets: number;
}

/** Coarse cells for a first answer, fine ones for better, mm. */
const COARSE_MM = 7;
const FINE_MM = 2.5;

/** A piece when its turn comes, in any way or in one alone. */
interface Turn {
  item: ToLay;
  only?: number;
}

interface Spot {
  way: Way;
  column: number;
  row: number;
}

interface Table {
  cells: Cells;
  sheet: Sheet;
}

/** The leftmost spot for a piece on a sheet, lowest among those; the way whose right end comes out least. */
function leftmost(sheet: Cells, ways: readonly Way[]): Spot | undefined {
  let best: (Spot & { right: number }) | undefined;
  for (const way of ways) {
    const { rows, columns } = way.cells;
    if (rows > sheet.rows || columns > sheet.columns) continue;
    const most = best ? Math.min(sheet.columns, best.right) - columns : sheet.columns - columns;
    search: for (let column = 0; column <= most; column++) {
      const moved = way.moved(column & 31);
      for (let row = 0; row + rows <= sheet.rows; row++) {
        if (!clear(sheet, moved, column >> 5, row)) continue;
        const right = column + columns;
        if (!best || right < best.right || (right === best.right && row < best.row))
          best = { way, column, row, right };
        break search;
      }
    }
  }
  return best;
}

/** Pieces laid one after another in an order, each on the first sheet that takes it and there as far left as it goes. */
function laidInOrder(
  order: readonly Turn[],
  size: SheetSize,
  spacingMm: number,
  cellMm: number,
): { sheets: Sheet[]; order: Turn[] } {
  const edge = spacingMm / 2;
  const columns = Math.floor((size.widthMm - 2 * edge) / cellMm + 1e-9);
  const rows = Math.floor((size.heightMm - 2 * edge) / cellMm + 1e-9);
  const tables: Table[] = [];
  const settled: Turn[] = [];
  for (const { item, only } of order) {
    const all = waysOf(item.piece.outline, item.flipped, cellMm, spacingMm);
    const ways = only === undefined ? all : [all[only % all.length]!];
    let on: Table | undefined;
    let spot: Spot | undefined;
    for (const table of tables) {
      spot = leftmost(table.cells, ways);
      if (spot) {
        on = table;
        break;
      }
    }
    if (!on) {
      on = { cells: noCells(columns, rows), sheet: { ...size, laid: [] } };
      spot = leftmost(on.cells, ways) ?? leftmost(on.cells, all);
      if (!spot) continue;
      tables.push(on);
    }
    const { way, column, row } = spot!;
    settled.push({ item, only: all.indexOf(way) });
    fill(on.cells, way.moved(column & 31), column >> 5, row);
    const x = edge + column * cellMm - way.minX;
    const y = edge + row * cellMm - way.minY;
    const b = boundsOf(
      laidOutline(item.piece.outline, { flipped: item.flipped, turnRad: way.turnRad, x, y }),
    );
    on.sheet.laid.push({
      pieceId: item.piece.id,
      partId: item.partId,
      flipped: item.flipped,
      turnRad: way.turnRad,
      x,
      y,
      widthMm: b.maxX - b.minX,
      heightMm: b.maxY - b.minY,
    });
  }
  return { sheets: tables.map((t) => t.sheet), order: settled };
}

/** A small, even random number from a seed (Lehmer, 1949). */
function randomFrom(seed: number): () => number {
  let state = (Math.abs(Math.floor(seed)) % 2147483646) + 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

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

/** Length used of the last sheet from its left edge, and the mean place of its pieces, weighed by their boxes. */
function lastOf(
  sheets: readonly Sheet[],
  items: ReadonlyMap<string, ToLay>,
): { lastMm: number; middleMm: number } {
  const boxes = (sheets.at(-1)?.laid ?? []).map((l) =>
    boundsOf(laidOutline(items.get(`${l.partId}/${l.pieceId}`)!.piece.outline, l)),
  );
  const weigh = (b: (typeof boxes)[number]): number => (b.maxX - b.minX) * (b.maxY - b.minY);
  const whole = boxes.reduce((sum, b) => sum + weigh(b), 0) || 1;
  return {
    lastMm: Math.max(0, ...boxes.map((b) => b.maxX)),
    middleMm: boxes.reduce((sum, b) => sum + ((b.minX + b.maxX) / 2) * weigh(b), 0) / whole,
  };
}

/**
 * Layouts of true shapes, each no worse than the one before: first the boxes, then the pieces by size in coarse cells,
 * then in fine ones, then in orders a little changed, for as long as it is asked. The same pieces and seed give the same
 * layouts. What was found before, `from`, is gone on from: nothing worse is told. Pieces are laid as far left as they go without touching (a bottom-left heuristic on a raster; Dowsland,
 * Vaid and Dowsland, 2002).
 */
export function* nesting(
  items: readonly ToLay[],
  size: SheetSize,
  spacingMm: number,
  seed = 1,
  from: readonly Sheet[] = [],
): Generator<Nested, void> {
  const boxes = packSheets(items, size, spacingMm);
  const fitting = items.filter((i) => fitsSheet(i.piece.outline, size, spacingMm));
  const byId = new Map(items.map((i) => [`${i.partId}/${i.piece.id}`, i]));
  const areaMm2 = fitting.reduce((sum, i) => sum + areaOf(i), 0);
  const leastSheets = Math.ceil(areaMm2 / (size.widthMm * size.heightMm) - 1e-9);
  let tries = 0;
  const told = (sheets: Sheet[]): Nested & { score: number } => {
    const { lastMm, middleMm } = lastOf(sheets, byId);
    return {
      packed: { sheets, tooBig: boxes.tooBig },
      tries,
      sheets: sheets.length,
      used: sheets.length === 0 ? 0 : areaMm2 / (sheets.length * size.widthMm * size.heightMm),
      lastMm,
      leastSheets,
      score: Math.max(0, sheets.length - 1) * size.widthMm + lastMm + MIDDLE * middleMm,
    };
  };
  const whole = (sheets: readonly Sheet[]): boolean =>
    sheets.reduce((sum, s) => sum + s.laid.length, 0) ===
    boxes.sheets.reduce((sum, s) => sum + s.laid.length, 0);
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
  if (from.length > 0) take([...from]);
  yield best;
  let order: Turn[] = [...fitting].sort((a, b) => areaOf(b) - areaOf(a)).map((item) => ({ item }));
  take(laidInOrder(order, size, spacingMm, COARSE_MM).sheets);
  yield best;
  // From here on every piece keeps the way it was laid, unless it is the way that is changed: far more can be tried.
  const fine = laidInOrder(order, size, spacingMm, FINE_MM);
  take(fine.sheets);
  if (fine.order.length === order.length) order = fine.order;
  yield best;
  const random = randomFrom(seed);
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
    const { sheets } = laidInOrder(next, size, spacingMm, FINE_MM);
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
