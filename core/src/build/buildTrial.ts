import type { PartReport } from './report';
import type { Change } from '../findings/finding';

/** What the thickness trials say for one part of the build. Mass and cost are for all its copies. */
export interface Advice {
  partId: string;
  name: string;
  fromMm: number;
  toMm: number;
  massG: number;
  cost: number;
  reasons: string[];
  change: Change;
}

/** Parts another thickness would serve better, with what changing would do; applied one by one or all at once. */
export function buildTrial(parts: readonly PartReport[]): Advice[] {
  return parts.flatMap((part, index) => {
    const chosen = part.trial.find((row) => row.chosen);
    const best = part.trial.find((row) => row.recommended);
    if (!chosen || !best || chosen === best) return [];
    return [
      {
        partId: part.id,
        name: part.name,
        fromMm: chosen.nominalMm,
        toMm: best.nominalMm,
        massG: (best.massG - chosen.massG) * part.copies,
        cost: (best.cost - chosen.cost) * part.copies,
        reasons: best.reasons,
        change: { path: ['parts', index, 'foam', 'nominalMm'], value: best.nominalMm },
      },
    ];
  });
}
