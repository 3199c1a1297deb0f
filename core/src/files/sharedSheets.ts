import { packTogether, type SheetSaving } from '../cut';
import type { BuildDoc } from '../document';
import { type Catalogue, catalogue as standard, catalogueWith } from '../materials';
import { toMake } from '../plan';
import { derive } from '../report';
import { counted, printMm } from '../units';
import { sheetFile } from './sheetFile';

/** One sheet of several builds, as a cutter takes it. */
export interface SharedSheet {
  name: string;
  /** Whose pieces are on it, and how many. */
  holds: string[];
  svg: string;
  dxf: string;
}

export interface SharedSheets {
  saved: SheetSaving[];
  /** What the sheets saved would have cost; not known where the builds count in several currencies. */
  lessToPay: { amount: number; currency: string } | undefined;
  sheets: SharedSheet[];
  /** Pieces that no sheet holds. */
  tooBig: number;
}

/** Builds whose pieces are cut from the same sheets; the letters of their parts are numbered by build. */
export function sharedSheets(
  builds: readonly { id: string; doc: BuildDoc }[],
  catalogue: Catalogue = standard,
): SharedSheets {
  const own = builds.flatMap(({ doc }) => doc.foams ?? []);
  const known = catalogueWith(
    catalogue,
    own.filter((f, i) => own.findIndex((o) => o.id === f.id) === i),
  );
  const all = builds.map(({ id, doc }) => ({ id, doc, report: derive(doc, { catalogue, untried: true }) }));
  const { parts, saved, ...packed } = packTogether(
    all.map(({ id, doc, report }) => ({
      id,
      doc,
      parts: toMake(report.parts),
      sheets: report.packed.sheets,
    })),
    known,
  );
  const letters = Object.fromEntries(
    all.flatMap(({ id, report }, i) =>
      Object.entries(report.letters).map(([partId, letter]) => [`${id}/${partId}`, `${i + 1}${letter}`]),
    ),
  );
  const named = all.map(({ id, doc }) => ({ id, name: doc.name }));
  const [currency, ...others] = new Set(builds.map(({ doc }) => doc.brief.currency));
  const amount = saved.reduce((sum, s) => sum + (s.alone - s.together) * s.each, 0);
  return {
    saved,
    lessToPay: currency && others.length === 0 ? { amount, currency } : undefined,
    tooBig: packed.tooBig.length,
    sheets: packed.sheets.map((sheet, i) => ({
      name: `${i + 1}. ${saved.find((s) => s.foamId === sheet.foamId && s.nominalMm === sheet.nominalMm)?.name ?? ''}, ${sheet.offcut ? 'offcut ' : ''}${printMm(sheet.widthMm, 0)} × ${printMm(sheet.heightMm, 0)}`,
      holds: named.flatMap(({ id, name }) => {
        const own = sheet.laid.filter((l) => l.partId.startsWith(`${id}/`)).length;
        return own > 0 ? [`${name}: ${counted(own, 'piece')}`] : [];
      }),
      svg: sheetFile({ parts, letters, packed }, i, 'svg', 'Sheets of several builds'),
      dxf: sheetFile({ parts, letters, packed }, i, 'dxf', 'Sheets of several builds'),
    })),
  };
}
