import type { BuildDoc } from '../document';
import { type Catalogue, foamSheet } from '../materials';
import type { PartReport } from '../parts';
import { sheetGroups, type SheetGroup } from './packAll';
import { packSheets, type Packed } from './packing';
import type { Sheet } from './sheets';

/** A build whose pieces go on sheets with those of others: its parts that are to be cut, and its own sheets. */
export interface ToShare {
  id: string;
  doc: BuildDoc;
  parts: readonly PartReport[];
  sheets: readonly Sheet[];
}

/** One foam: whole sheets the builds want one by one and together, and what a sheet costs. */
export interface SheetSaving {
  foamId: string;
  nominalMm: number;
  name: string;
  alone: number;
  together: number;
  each: number;
}

export interface Together extends Packed {
  /** The parts of all builds, each under the id of its build and its own. */
  parts: PartReport[];
  saved: SheetSaving[];
}

/** A part’s id among those of several builds. */
export const sharedId = (buildId: string, partId: string): string => `${buildId}/${partId}`;

const keyOf = ({ foamId, nominalMm }: Pick<Sheet, 'foamId' | 'nominalMm'>): string =>
  `${foamId}/${nominalMm}`;

const whole = (sheets: readonly Sheet[], key: string): number =>
  sheets.filter((s) => !s.offcut && keyOf(s) === key).length;

/**
 * The pieces of several builds on the same sheets, in the sizes and with the offcuts that the first of them knows. Never
 * more whole sheets of a foam than the builds have by themselves: then theirs are kept as they are.
 */
export function packTogether(builds: readonly ToShare[], catalogue: Catalogue): Together {
  const parts = builds.flatMap((b) => b.parts.map((p) => ({ ...p, id: sharedId(b.id, p.id) })));
  const spacingMm = Math.max(...builds.map((b) => b.doc.cut.spacingMm));
  const groups = new Map<string, SheetGroup>();
  for (const { id, doc } of builds) {
    const own = parts.filter((p) => p.id.startsWith(`${id}/`));
    for (const { size, items } of sheetGroups(doc, own, catalogue)) {
      const known = groups.get(keyOf(size));
      groups.set(keyOf(size), known ? { ...known, items: [...known.items, ...items] } : { size, items });
    }
  }
  const packed = [...groups].map(([key, { size, items }]): Packed & { saving: SheetSaving } => {
    const fresh = packSheets(items, size, spacingMm);
    const alone = builds.reduce((sum, b) => sum + whole(b.sheets, key), 0);
    const kept = builds.flatMap((b) =>
      b.sheets
        .filter((s) => keyOf(s) === key)
        .map((s) => ({ ...s, laid: s.laid.map((l) => ({ ...l, partId: sharedId(b.id, l.partId) })) })),
    );
    const { sheets, tooBig } = whole(fresh.sheets, key) > alone ? { ...fresh, sheets: kept } : fresh;
    const first = builds.find((b) => b.sheets.some((s) => keyOf(s) === key)) ?? builds[0]!;
    const sheet = foamSheet(catalogue.foams, first.doc.stock, size.foamId, size.nominalMm);
    return {
      sheets,
      tooBig,
      saving: {
        foamId: size.foamId,
        nominalMm: size.nominalMm,
        name: sheet.name,
        alone,
        together: whole(sheets, key),
        each: sheet.price.value,
      },
    };
  });
  return {
    parts,
    sheets: packed.flatMap((p) => p.sheets),
    tooBig: packed.flatMap((p) => p.tooBig),
    saved: packed.map((p) => p.saving),
  };
}
