import { strainClassName } from '../foam/bend';
import { trimNumber } from '../units/length';
import { setPart, when, type PartRule } from './rule';

/** The foam must be bent further than it bends cold. */
export const bendsAsHeld: PartRule = (context) => {
  const { part, made, doc } = context;
  const kind = made.strainClass;
  const percent = trimNumber(made.bendStrain * 100, 0);
  const easier = made.trial
    .filter(
      (row) =>
        row.nominalMm < part.foam.nominalMm && (row.strainClass === 'heat' || row.strainClass === 'cold'),
    )
    .at(-1);
  const grooveHabit = doc.make.habits.fold === 'heat-and-fold';
  return when(
    kind === 'grooved' || kind === 'laminate' || (kind === 'heat' && made.bendStrain > 0.14),
    () => ({
      id: `bend:${part.id}`,
      severity: kind === 'laminate' ? 'stop' : kind === 'grooved' ? 'mind' : 'note',
      station: 'shape',
      title: `${part.name}: the outer face is bent to ${percent} % at its tightest (inside radius ${trimNumber(made.tightestRadiusMm, 0)} mm).`,
      why: `Foam bends cold to 5 %, hot to 15 %, grooved to 30 %: ${strainClassName[kind]}.${grooveHabit ? ' Your habit is to fold by heat alone, which stops at 15 %.' : ''}`,
      sure: 'memory',
      partId: part.id,
      remedies: easier
        ? [
            {
              label: `Go to ${easier.nominalMm} mm foam`,
              changes: [setPart(context, ['foam', 'nominalMm'], easier.nominalMm)],
            },
          ]
        : [],
    }),
  );
};

/** Another thickness serves better. */
export const betterThickness: PartRule = (context) => {
  const { part, made } = context;
  const best = made.trial.find((row) => row.recommended);
  return when(best !== undefined && !best.chosen, () => ({
    id: `thickness:${part.id}`,
    severity: 'note',
    station: 'shape',
    title: `${part.name}: ${best!.nominalMm} mm would serve better than ${part.foam.nominalMm} mm.`,
    why: `${best!.reasons.join('; ')}.`,
    sure: 'memory',
    partId: part.id,
    remedies: [
      {
        label: `Go to ${best!.nominalMm} mm foam`,
        changes: [setPart(context, ['foam', 'nominalMm'], best!.nominalMm)],
      },
    ],
  }));
};
