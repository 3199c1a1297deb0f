import { packSheets, type Packed, type ToLay } from './packing';
import { type Catalogue, foamSheet } from '../materials';
import type { BuildDoc } from '../document';
import type { PartReport } from '../parts';

/** Every copy of every piece laid on sheets of its own foam and thickness. */
export function packAll(doc: BuildDoc, parts: readonly PartReport[], catalogue: Catalogue): Packed {
  const groups = new Map<string, { foamId: string; nominalMm: number; items: ToLay[] }>();
  for (const part of parts) {
    for (const piece of part.pieces) {
      const key = `${piece.foamId}/${piece.nominalMm}`;
      const group = groups.get(key) ?? { foamId: piece.foamId, nominalMm: piece.nominalMm, items: [] };
      for (let i = 0; i < piece.quantity; i++)
        group.items.push({ partId: part.id, piece, flipped: i >= piece.quantity - piece.flipped });
      groups.set(key, group);
    }
  }
  const packed = [...groups.values()].map(({ foamId, nominalMm, items }) => {
    const { widthMm, heightMm } = foamSheet(catalogue.foams, doc.stock, foamId, nominalMm);
    return packSheets(items, { foamId, nominalMm, widthMm, heightMm }, doc.cut.spacingMm);
  });
  return { sheets: packed.flatMap((p) => p.sheets), tooBig: packed.flatMap((p) => p.tooBig) };
}
