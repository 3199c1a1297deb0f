import { foamOfField, type BuildDoc, type Change } from '../document';
import { bendStrain, strainClass, strainClassName } from '../foam';
import { thicknessesOf } from '../materials';
import { trimNumber, firstOf } from '../units';
import { sheetOf, type Context } from './context';
import type { PartReport } from './partReport';

/** What another thickness would do for a part, or for what a feature lays on it. Mass and cost are for all copies. */
export interface Advice {
  id: string;
  partId: string;
  name: string;
  fromMm: number;
  toMm: number;
  massG: number;
  cost: number;
  reasons: string[];
  change: Change;
}

/** Parts another thickness would serve better; applied one by one or all at once. */
export const partAdvice = (parts: readonly PartReport[]): Advice[] =>
  parts.flatMap((part, index) => {
    const chosen = part.trial.find((row) => row.chosen);
    const best = part.trial.find((row) => row.recommended);
    if (!part.zone || !chosen || !best || chosen === best) return [];
    return [
      {
        id: part.id,
        partId: part.id,
        name: part.name,
        fromMm: chosen.nominalMm,
        toMm: best.nominalMm,
        massG: (best.massG - chosen.massG) * part.copies,
        cost: (best.cost - chosen.cost) * part.copies,
        reasons: best.reasons,
        change: { path: ['parts', index, 'stack', 0, 'nominalMm'], value: best.nominalMm },
      },
    ];
  });

/**
 * What features lay lies over the shell's bends on a wider radius outside, and on a tighter one inside. One that could
 * not be heat-formed over the tightest of them, or thicker than is usual, would rather be thinner: the thickest sold
 * that still forms.
 */
export function featureAdvice(
  doc: Pick<BuildDoc, 'parts'>,
  parts: readonly PartReport[],
  context: Pick<Context, 'catalogue' | 'stock' | 'kinds'>,
): Advice[] {
  const sheet = sheetOf(context);
  return doc.parts.flatMap((part, index) => {
    const made = parts[index];
    if (!made) return [];
    return part.features.flatMap((feature, at): Advice[] => {
      const field = context.kinds.features.get(feature.kind)?.fields.find((f) => f.type === 'foam');
      const piece = made.pieces.find((p) => p.featureId === feature.id);
      const fromMm = field && feature.params[field.key];
      if (!field || field.type !== 'foam' || !piece || typeof fromMm !== 'number') return [];
      const foamId = foamOfField(field, feature.params, firstOf(part.stack).foamId);
      const can = thicknessesOf(context.catalogue.foams, context.stock, foamId);
      const strainOf = (mm: number): number => {
        const { thicknessMm, neutralFraction } = sheet({ foamId, nominalMm: mm });
        return bendStrain({
          thicknessMm: thicknessMm.value,
          insideRadiusMm:
            made.tightestRadiusMm +
            (piece.face === 'inner' ? -thicknessMm.value : made.foam.thicknessMm.value),
          neutralFraction: neutralFraction.value,
        });
      };
      const forms = (mm: number): boolean => ['cold', 'heat'].includes(strainClass(strainOf(mm)));
      const usual = field.usualMm ?? Infinity;
      const suits = (mm: number): boolean => forms(mm) && mm <= usual;
      if (suits(fromMm)) return [];
      const toMm = can.filter((mm) => mm < fromMm && suits(mm)).at(-1);
      if (toMm === undefined) return [];
      const strain = strainOf(fromMm);
      const [before, after] = [fromMm, toMm].map((mm) => sheet({ foamId, nominalMm: mm }));
      const area = made.pieces
        .filter((p) => p.featureId === feature.id)
        .reduce((sum, p) => sum + p.areaMm2, 0);
      const massOf = (s: typeof before): number =>
        area * s!.thicknessMm.value * s!.densityKgM3.value * 1e-6 * made.copies;
      const costOf = (s: typeof before): number =>
        (area / (s!.widthMm * s!.heightMm)) * s!.price.value * made.copies;
      return [
        {
          id: `${part.id}/${feature.id}`,
          partId: part.id,
          name: `${part.name}, ${piece.name}`,
          fromMm,
          toMm,
          massG: massOf(after) - massOf(before),
          cost: costOf(after) - costOf(before),
          reasons: [
            forms(fromMm)
              ? `bands and lips are usually ${usual} mm or less`
              : `${trimNumber(strain * 100, 0)} % over the tightest bend: ${strainClassName[strainClass(strain)]}`,
          ],
          change: { path: ['parts', index, 'features', at, 'params', field.key], value: toMm },
        },
      ];
    });
  });
}
