import type { BuildDoc } from '../document';
import type { Fastening } from '../forms';
import {
  clearBetweenMin,
  clearWearMin,
  closures,
  coatings,
  type PaintCoat,
  paints,
  speeds,
} from '../materials';
import { coatedMm2, type PartReport, recipeOf } from '../parts';
import { trimNumber } from '../units';
import { hungEdges } from './hungEdges';
import { outlineM } from './outline';
import type { Step } from './step';
import { workSteps } from './workSteps';

/** Edges rounded and faces sealed by heat: before any lamp is in, which hot air would spoil. */
export function heatSteps(part: PartReport, after: string): Step[] {
  if (part.pieces.length === 0) return [];
  return [
    {
      id: `${part.id}:round`,
      kind: 'sand',
      title: `${part.name}: round over edges, heat-seal`,
      detail: 'Drum then hand; then warm air over every face until it turns slightly glossy.',
      partId: part.id,
      workMin: Math.ceil(outlineM(part) / speeds.roundOverMPerMin) + 5 * part.copies,
      waitMin: 10,
      waitFor: 'foam cool',
      after: [after],
      ...(part.items.length > 0 && { gate: 'Hot air spoils lamps, cells and wire: it comes before them.' }),
      cautions: ['dust', 'heat'],
    },
  ];
}

/** Steps from sealed shell to worn. */
export function finishSteps(
  doc: BuildDoc,
  part: PartReport,
  after: string,
  straps: readonly Fastening[],
  coverage: number,
): Step[] {
  const coat = coatings[doc.make.habits.seal];
  const id = (step: string): string => `${part.id}:${step}`;
  const lit = part.items.some((i) => i.lamp);
  const kinds = [...new Set(straps.map((s) => s.closure))];
  const strapMin = straps.reduce((sum, s) => sum + s.count * closures[s.closure].eachMin, 0);
  const steps: Step[] = [];
  const recipe = recipeOf(doc.parts.find((p) => p.id === part.id) ?? {}, doc.make.habits);
  const m2 = coatedMm2(part.pieces) * 1e-6 * part.copies;
  const amount = (mlPerM2: number): string =>
    m2 === 0 ? '' : `About ${trimNumber(Math.max(1, mlPerM2 * m2 * coverage), 0)} ml.`;
  /** What is read off the step: the coat by the stated coverage. */
  const coated = (mlPerM2: number): Pick<Step, 'reads'> =>
    m2 > 0 ? { reads: { quantity: 'coverage', stated: mlPerM2 * m2 } } : {};
  const coats = part.pieces.length === 0 ? 0 : recipe.sealCoats;
  // What paint spoils is covered before the first coat.
  const masked = [
    ...(lit ? ['lamps'] : []),
    ...(part.items.some((i) => i.toggle) ? ['switch'] : []),
    ...(part.items.some((i) => i.source) ? ['battery door'] : []),
    ...(part.sight.length > 0 ? ['what is seen through'] : []),
    ...(straps.length > 0 ? ['where straps are glued'] : []),
  ];
  for (let i = 1; i <= coats; i++) {
    const last = i === coats;
    steps.push({
      id: id(`seal${i}`),
      kind: 'coat',
      title: `${part.name}: ${coat.name}, coat ${i} of ${coats}`,
      detail: `${last ? 'Handle only when dry through.' : 'Thin and even.'} ${amount(coat.mlPerM2)}`.trim(),
      partId: part.id,
      ...coated(coat.mlPerM2),
      workMin: coat.workMin * part.copies,
      waitMin: last ? coat.handleMin : coat.betweenMin,
      waitFor: last ? 'dry to handle' : 'dry to recoat',
      after: [steps.at(-1)?.id ?? after],
      cautions: ['paint'],
    });
  }
  const paint = (
    step: string,
    what: PaintCoat,
    times: number,
    title: string,
    detail: string,
    waitFor: string,
  ): void => {
    steps.push({
      id: id(step),
      kind: 'paint',
      title: `${part.name}: ${title}`,
      detail: `${detail} ${amount(what.mlPerM2 * times)}`.trim(),
      partId: part.id,
      ...coated(what.mlPerM2 * times),
      workMin: Math.ceil((what.workMin * part.copies + what.minPerM2 * m2) * times),
      waitMin: what.dryMin,
      waitFor,
      after: [steps.at(-1)?.id ?? after],
      cautions: ['paint'],
    });
  };
  if (recipe.colours > 0)
    paint(
      'paint',
      paints.base,
      1,
      'paint the base colour',
      lit
        ? 'Mask lenses and windows. Two thin coats rather than one thick.'
        : 'Two thin coats rather than one thick.',
      'paint dry',
    );
  if (recipe.colours > 1)
    paint(
      'colours',
      paints.detail,
      recipe.colours - 1,
      `paint ${recipe.colours - 1} more colour${recipe.colours > 2 ? 's' : ''}`,
      'Mix from the lightest colour, black last; deep places first, edges after.',
      'paint dry',
    );
  if (recipe.weathering !== 'none')
    paint(
      'weather',
      paints[recipe.weathering],
      1,
      recipe.weathering === 'wash' ? 'wash with thinned dark paint' : 'dry-brush the edges',
      recipe.weathering === 'wash'
        ? 'Into the deep places, wiped off the high ones before it dries.'
        : 'Nearly no paint on the brush, over edges and rivets only.',
      'paint dry',
    );
  if (steps[0] && masked.length > 0) steps[0].detail = `Mask ${masked.join(', ')}. ${steps[0].detail}`;
  steps.push(...workSteps(part, 'painted', steps.at(-1)?.id ?? after));
  for (let i = 1; i <= recipe.clearCoats; i++) {
    const last = i === recipe.clearCoats;
    paint(
      last ? 'clear' : `clear${i}`,
      { ...paints.clear, dryMin: last ? paints.clear.dryMin : clearBetweenMin },
      1,
      recipe.clearCoats === 1 ? 'clear coat' : `clear coat ${i} of ${recipe.clearCoats}`,
      lit ? 'Mask the lenses first.' : 'One even coat.',
      last ? 'clear coat dry to handle' : 'dry to recoat',
    );
    if (last) steps.at(-1)!.cureMin = clearWearMin - paints.clear.dryMin;
  }
  const finished = steps.at(-1)?.id ?? after;
  const padded = part.zone !== undefined;
  if (padded || straps.length > 0)
    steps.push({
      id: id('strap'),
      kind: 'strap',
      title: `${part.name}: ${[...kinds.map((k) => closures[k].name), ...(padded ? ['padding'] : [])].join(', ')}`,
      detail: [
        ...hungEdges(part)
          .filter((e) => !e.glued)
          .map((e) => e.words),
        ...straps.map((s) => `${s.count} × ${trimNumber(s.lengthMm, 0)} mm ${s.where}`),
        ...((part.wear?.pads.length ?? 0) > 0
          ? [
              `pads inside at the ${part.wear!.pads.length} marks, ${[...new Set(part.wear!.pads.map((p) => p.thicknessMm))].sort((a, b) => a - b).join(', ')} mm thick`,
            ]
          : padded
            ? ['padding where it carries']
            : []),
      ].join('; '),
      partId: part.id,
      workMin: strapMin + 15 * part.copies,
      waitMin: 0,
      after: [finished],
      cautions: [],
    });
  return steps;
}
