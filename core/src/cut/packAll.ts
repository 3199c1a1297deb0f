import type { BuildDoc } from '../document';
import { type Catalogue, foamSheet } from '../materials';
import type { PartReport } from '../parts';
import { keptSheets, nestKey } from './nest/kept';
import type { SheetSize } from './nest/nest';
import { packSheets, type Packed, type ToLay } from './packing';

/** Everything that is cut from one foam of one thickness, and the sheets it is sold in. */
export interface SheetGroup {
  size: SheetSize;
  items: ToLay[];
}

/** Every copy of every piece, by foam and thickness. */
export function sheetGroups(doc: BuildDoc, parts: readonly PartReport[], catalogue: Catalogue): SheetGroup[] {
  const groups = new Map<string, SheetGroup>();
  for (const part of parts) {
    for (const piece of part.pieces) {
      const { foamId, nominalMm } = piece;
      const key = `${foamId}/${nominalMm}`;
      let group = groups.get(key);
      if (!group) {
        const { widthMm, heightMm } = foamSheet(catalogue.foams, doc.stock, foamId, nominalMm);
        groups.set(key, (group = { size: { foamId, nominalMm, widthMm, heightMm }, items: [] }));
      }
      for (let i = 0; i < piece.quantity; i++)
        group.items.push({ partId: part.id, piece, flipped: i >= piece.quantity - piece.flipped });
    }
  }
  return [...groups.values()];
}

/** Every copy of every piece laid on sheets of its own foam and thickness: as it was nested, or by boxes. */
export function packAll(doc: BuildDoc, parts: readonly PartReport[], catalogue: Catalogue): Packed {
  const { spacingMm, nests = [] } = doc.cut;
  const packed = sheetGroups(doc, parts, catalogue).map(({ items, size }): Packed => {
    if (nests.length > 0) {
      const key = nestKey(items, size, spacingMm);
      const nest = nests.find((n) => n.key === key);
      const sheets = nest && keptSheets(nest, items, size);
      if (sheets) return { sheets, tooBig: [] };
    }
    return packSheets(items, size, spacingMm);
  });
  return { sheets: packed.flatMap((p) => p.sheets), tooBig: packed.flatMap((p) => p.tooBig) };
}
