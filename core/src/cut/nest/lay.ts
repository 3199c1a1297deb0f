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

/** A piece in one of its ways on one of the tables, in cells. */
export interface Placed {
  item: ToLay;
  ways: readonly Way[];
  way: number;
  table: number;
  column: number;
  row: number;
}

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

export const wholeTable = (size: SheetSize, cellMm: number, spacingMm: number): Table =>
  tableOf(wholeSheet(size), cellMm, spacingMm);

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

/** A piece that lies in one of its ways, as it is kept. */
function laidAs(item: ToLay, way: Way, column: number, row: number, cellMm: number, spacingMm: number): Laid {
  const { flipped, turnRad } = way;
  const edge = spacingMm / 2;
  const [x, y] = [edge + column * cellMm - way.minX, edge + row * cellMm - way.minY];
  const b = boundsOf(laidOutline(item.piece.outline, { flipped, turnRad, x, y }));
  return {
    pieceId: item.piece.id,
    partId: item.partId,
    flipped,
    turnRad,
    x,
    y,
    widthMm: b.maxX - b.minX,
    heightMm: b.maxY - b.minY,
    ...(flipped !== item.flipped && { over: true as const }),
  };
}

/** Sheets with what stays on them and pieces where they are placed; those with nothing on them are left out. */
export function sheetsOf(
  tables: readonly Table[],
  placed: readonly Placed[],
  cellMm: number,
  spacingMm: number,
): Sheet[] {
  return tables
    .map(({ sheet }, t): Sheet => ({
      ...sheet,
      laid: [
        ...sheet.laid,
        ...placed
          .filter((p) => p.table === t)
          .map(({ item, ways, way, column, row }) =>
            laidAs(item, ways[way]!, column, row, cellMm, spacingMm),
          ),
      ],
    }))
    .filter((s) => s.laid.length > 0);
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
): { tables: Table[]; placed: Placed[] } | undefined {
  const tables = [...start];
  const lying = start.map((t) => [...t.lying]);
  const placed: Placed[] = [];
  const now = (t: number): Table => ({ ...tables[t]!, lying: lying[t]! });
  for (const { item, only } of order) {
    const ways = waysOf(item, cellMm, spacingMm, size.turns);
    const tried = only === undefined ? ways : [ways[only % ways.length]!];
    let table = 0;
    let spot: Spot | undefined;
    for (; table < tables.length && !spot; table++) spot = spotOn(now(table), tried, noFits);
    if (spot) table -= 1;
    else {
      const fresh = wholeTable(size, cellMm, spacingMm);
      spot = spotOn(fresh, tried, noFits) ?? spotOn(fresh, ways, noFits);
      if (!spot) continue;
      tables.push(fresh);
      lying.push([]);
    }
    const { way, column, row } = spot;
    lying[table]!.push({ cells: way.cells, column, row });
    placed.push({ item, ways, way: ways.indexOf(way), table, column, row });
    if (table === tables.length - 1 && !tables[table]!.sheet.offcut) {
      const before = tables.filter((t) => !t.sheet.offcut).length - 1;
      const { maxX: rightMm } = boundsOf(
        laidOutline(item.piece.outline, laidAs(item, way, column, row, cellMm, spacingMm)),
      );
      if (before * size.widthMm + rightMm > mostMm) return undefined;
    }
  }
  return { tables, placed };
}
