import { bendStrain, strainClass, strainClassName } from '../foam/bend';
import type { Change } from '../findings/finding';
import type { Catalogue } from '../materials/catalogue';
import { foamSheet } from '../materials/stock';
import { trimNumber } from '../units/length';
import type { BuildDoc } from './document';
import type { PartReport } from './report';

/** What would serve better for one strip or layer than the foam it has. */
export interface DetailAdvice {
  partId: string;
  detailId: string;
  name: string;
  fromMm: number;
  toMm: number;
  reason: string;
  change: Change;
}

/** Bands, covers and lips are usually no thicker than this; common practice, no source. */
const USUAL_TRIM_MM = 5;

/**
 * Trim and layers lie over the shell's bends on a wider radius. One that could not be heat-formed over the
 * tightest of them, or trim thicker than is usual, would rather be thinner: the thickest sold that still forms.
 */
export function detailTrial(
  doc: BuildDoc,
  parts: readonly PartReport[],
  { foams }: Catalogue,
): DetailAdvice[] {
  return doc.parts.flatMap((part, index) => {
    const made = parts[index];
    const sold = foams.find((f) => f.id === part.foam.foamId)?.sheets.map((s) => s.nominalMm) ?? [];
    if (!made) return [];
    return (part.details ?? []).flatMap((detail, at): DetailAdvice[] => {
      if (detail.kind !== 'trim' && detail.kind !== 'layer') return [];
      const on = made.pieces.find((p) => p.id === detail.pieceId);
      if (!on) return [];
      const outside = detail.kind === 'layer' || detail.face === 'outer';
      const strainOf = (mm: number): number => {
        const sheet = foamSheet(foams, doc.stock, part.foam.foamId, mm);
        return sheet
          ? bendStrain({
              thicknessMm: sheet.thicknessMm.value,
              insideRadiusMm: made.tightestRadiusMm + (outside ? on.thicknessMm : -sheet.thicknessMm.value),
              neutralFraction: sheet.neutralFraction.value,
            })
          : Infinity;
      };
      const forms = (mm: number): boolean => ['cold', 'heat'].includes(strainClass(strainOf(mm)));
      const trim = detail.kind === 'trim' && detail.face === 'outer';
      const fits = (mm: number): boolean => forms(mm) && (!trim || mm <= USUAL_TRIM_MM);
      if (fits(detail.nominalMm)) return [];
      const toMm = sold.filter((mm) => mm < detail.nominalMm && fits(mm)).at(-1);
      if (toMm === undefined) return [];
      const strain = strainOf(detail.nominalMm);
      return [
        {
          partId: part.id,
          detailId: detail.id,
          name: `${part.name}, ${detail.kind} on ${on.name}`,
          fromMm: detail.nominalMm,
          toMm,
          reason: forms(detail.nominalMm)
            ? `bands and lips are usually ${USUAL_TRIM_MM} mm or less`
            : `${trimNumber(strain * 100, 0)} % over the tightest bend: ${strainClassName[strainClass(strain)]}`,
          change: { path: ['parts', index, 'details', at, 'nominalMm'], value: toMm },
        },
      ];
    });
  });
}
