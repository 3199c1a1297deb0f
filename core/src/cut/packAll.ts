import type { BuildDoc } from '../document';
import { type Catalogue, foamSheet } from '../materials';
import type { MarkKind } from '../panel';
import type { PartReport } from '../parts';
import { keptSheets, nestKey } from './nest/kept';
import { packSheets, type Packed } from './packing';
import type { SheetSize, ToLay } from './sheets';

/** Everything that is cut from one foam of one thickness, and the sheets it is sold in. */
export interface SheetGroup {
  size: SheetSize;
  items: ToLay[];
}

/** What is cut into one face and not through. */
const ofOneFace = new Set<MarkKind>(['groove', 'fold', 'score', 'pocket', 'bevel']);

function sizeOf(doc: BuildDoc, foamId: string, nominalMm: number, catalogue: Catalogue): SheetSize {
  const { widthMm, heightMm } = foamSheet(catalogue.foams, doc.stock, foamId, nominalMm);
  const { turns, offcuts } = doc.stock.find((s) => s.foamId === foamId && s.nominalMm === nominalMm) ?? {};
  return {
    foamId,
    nominalMm,
    widthMm,
    heightMm,
    ...(turns && { turns }),
    ...(offcuts && offcuts.length > 0 && { offcuts }),
  };
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
        groups.set(key, (group = { size: sizeOf(doc, foamId, nominalMm, catalogue), items: [] }));
      }
      const { texture } = foamSheet(catalogue.foams, doc.stock, foamId, nominalMm);
      const eitherFace = texture !== 'one' && piece.marks.every((m) => !ofOneFace.has(m.kind));
      for (let i = 0; i < piece.quantity; i++)
        group.items.push({
          partId: part.id,
          piece,
          flipped: i >= piece.quantity - piece.flipped,
          ...(eitherFace && { eitherFace }),
        });
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
