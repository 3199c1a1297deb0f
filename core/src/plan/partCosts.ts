import type { Packed } from '../cut';
import { type Catalogue, foamSheet, type FoamStock } from '../materials';
import type { PartReport } from '../parts';
import type { CostLine } from './cost';
import type { Step } from './step';

/** What one part costs: its share of whole sheets, what is bought for it alone, its share of the rest; and its hours. */
export interface PartCost {
  partId: string;
  foam: number;
  bought: number;
  shared: number;
  workMin: number;
}

const foamKey = ({ foamId, nominalMm }: { foamId: string; nominalMm: number }): string =>
  `${foamId}/${nominalMm}`;

/**
 * Everything that is used, whether bought or in stock, laid on the parts: sheets by the area cut from each kind, what a
 * part alone is bought for, and glue, coats, wire and straps by area. The parts together cost what all lines do.
 */
export function partCosts(
  parts: readonly PartReport[],
  packed: Pick<Packed, 'sheets'>,
  lines: readonly CostLine[],
  steps: readonly Step[],
  stock: readonly FoamStock[],
  catalogue: Catalogue,
): PartCost[] {
  const areaOf = new Map<string, number>();
  for (const p of parts)
    for (const piece of p.pieces) {
      const key = foamKey(piece);
      areaOf.set(key, (areaOf.get(key) ?? 0) + piece.areaMm2 * piece.quantity);
    }
  const paid = new Map<string, number>();
  for (const sheet of packed.sheets.filter((s) => !s.offcut))
    paid.set(
      foamKey(sheet),
      (paid.get(foamKey(sheet)) ?? 0) +
        foamSheet(catalogue.foams, [...stock], sheet.foamId, sheet.nominalMm).price.value,
    );
  const own = parts.map((p) => ({
    partId: p.id,
    foam: p.pieces.reduce(
      (sum, piece) =>
        sum +
        ((paid.get(foamKey(piece)) ?? 0) * piece.areaMm2 * piece.quantity) /
          (areaOf.get(foamKey(piece)) || 1),
      0,
    ),
    bought: p.bought.reduce((sum, b) => sum + b.count * b.each, 0) * p.copies,
    areaMm2: p.areaMm2 * p.copies,
    workMin: steps.filter((s) => s.partId === p.id).reduce((sum, s) => sum + s.workMin, 0),
  }));
  const all = lines.reduce((sum, l) => sum + l.need * l.each, 0);
  const rest = all - own.reduce((sum, p) => sum + p.foam + p.bought, 0);
  const areaMm2 = own.reduce((sum, p) => sum + p.areaMm2, 0);
  return own.map(({ areaMm2: area, ...p }) => ({
    ...p,
    shared: areaMm2 > 0 ? (rest * area) / areaMm2 : rest / own.length,
  }));
}
