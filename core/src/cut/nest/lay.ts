import { boundsOf } from '../../geometry';
import {
  type Laid,
  laidOutline,
  offcutSheet,
  outsideOf,
  type Sheet,
  type SheetSize,
  type ToLay,
  wholeSheet,
} from '../sheets';
import { leftmost, type Lying, type NoFits } from './noFit';
import { cellsOf } from './raster';
import { cellsWhere, type Way, waysOf } from './ways';

/** A piece when its turn comes, in any way or in one alone. */
export interface Turn {
  item: ToLay;
  only?: number;
}

/** A sheet while pieces are laid on it, in cells. */
export interface Table {
  sheet: Sheet;
  columns: number;
  rows: number;
  lying: Lying[];
}

/** A piece that stays where it is, on which of the sheets. */
export interface Fixed {
  sheet: Sheet;
  held: { item: ToLay; laid: Laid }[];
}

function tableOf(sheet: Sheet, cellMm: number, spacingMm: number): Table {
  const edge = spacingMm / 2;
  const columns = Math.floor((sheet.widthMm - 2 * edge) / cellMm + 1e-9);
  const rows = Math.floor((sheet.heightMm - 2 * edge) / cellMm + 1e-9);
  if (!sheet.offcut || columns < 1 || rows < 1) return { sheet, columns, rows, lying: [] };
  const outside = cellsOf(outsideOf(sheet, sheet.offcut, edge), cellMm, {
    minX: edge,
    minY: edge,
    maxX: edge + columns * cellMm,
    maxY: edge + rows * cellMm,
  });
  return { sheet, columns, rows, lying: [{ cells: outside, column: 0, row: 0 }] };
}

/** Sheets before anything free is laid: those with pieces that stay, then every offcut, smallest first. */
export function startTables(
  size: SheetSize,
  fixed: readonly Fixed[],
  cellMm: number,
  spacingMm: number,
): Table[] {
  const taken = new Set(fixed.map((f) => f.sheet.offcut?.id));
  const held = fixed.map((f): Table => {
    const sheet = f.sheet.offcut ? offcutSheet(size, f.sheet.offcut) : wholeSheet(size);
    const table = tableOf({ ...sheet, laid: f.held.map((h) => h.laid) }, cellMm, spacingMm);
    for (const { item, laid } of f.held) table.lying.push(cellsWhere(item, laid, cellMm, spacingMm));
    return table;
  });
  const offcuts = (size.offcuts ?? [])
    .filter((o) => !taken.has(o.id))
    .map((o) => offcutSheet(size, o))
    .sort((a, b) => a.widthMm * a.heightMm - b.widthMm * b.heightMm);
  return [...held, ...offcuts.map((sheet) => tableOf(sheet, cellMm, spacingMm))];
}

interface Spot {
  way: Way;
  column: number;
  row: number;
}

/** The way and spot whose right end comes out least, lowest among those. */
function spotOn(table: Table, ways: readonly Way[], noFits: NoFits): Spot | undefined {
  let best: (Spot & { right: number }) | undefined;
  for (const way of ways) {
    const most = best ? best.right : table.columns;
    const found = leftmost(table.columns, table.rows, table.lying, way.cells, noFits, most);
    if (!found) continue;
    const right = found.column + way.cells.columns;
    if (!best || right < best.right || found.row < best.row) best = { way, ...found, right };
  }
  return best;
}

/**
 * Pieces laid one after another in an order, each on the first sheet that takes it and there as far left as it goes;
 * nothing once whole sheets, end to end, are used further than `mostMm`.
 */
export function laidInOrder(
  order: readonly Turn[],
  size: SheetSize,
  start: readonly Table[],
  cellMm: number,
  spacingMm: number,
  noFits: NoFits,
  mostMm = Infinity,
): { sheets: Sheet[]; order: Turn[] } | undefined {
  const edge = spacingMm / 2;
  const tables = start.map((t): Table => ({
    ...t,
    sheet: { ...t.sheet, laid: [...t.sheet.laid] },
    lying: [...t.lying],
  }));
  const settled: Turn[] = [];
  for (const { item, only } of order) {
    const all = waysOf(item, cellMm, spacingMm, size.turns);
    const ways = only === undefined ? all : [all[only % all.length]!];
    let on: Table | undefined;
    let spot: Spot | undefined;
    for (const table of tables) {
      spot = spotOn(table, ways, noFits);
      if (spot) {
        on = table;
        break;
      }
    }
    if (!on) {
      on = tableOf(wholeSheet(size), cellMm, spacingMm);
      spot = spotOn(on, ways, noFits) ?? spotOn(on, all, noFits);
      if (!spot) continue;
      tables.push(on);
    }
    const { way, column, row } = spot!;
    settled.push({ item, only: all.indexOf(way) });
    on.lying.push({ cells: way.cells, column, row });
    const x = edge + column * cellMm - way.minX;
    const y = edge + row * cellMm - way.minY;
    const { flipped, turnRad } = way;
    const b = boundsOf(laidOutline(item.piece.outline, { flipped, turnRad, x, y }));
    if (on === tables.at(-1) && !on.sheet.offcut) {
      const before = tables.filter((t) => !t.sheet.offcut).length - 1;
      if (before * size.widthMm + b.maxX > mostMm) return undefined;
    }
    on.sheet.laid.push({
      pieceId: item.piece.id,
      partId: item.partId,
      flipped,
      turnRad,
      x,
      y,
      widthMm: b.maxX - b.minX,
      heightMm: b.maxY - b.minY,
      ...(flipped !== item.flipped && { over: true as const }),
    });
  }
  return { sheets: tables.map((t) => t.sheet).filter((s) => s.laid.length > 0), order: settled };
}
