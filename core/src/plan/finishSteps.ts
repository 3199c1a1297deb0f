import type { BuildDoc } from '../document';
import type { Fastening } from '../forms';
import { closures, coatings, speeds } from '../materials';
import type { PartReport } from '../parts';
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
): Step[] {
  const coat = coatings[doc.make.habits.seal];
  const id = (step: string): string => `${part.id}:${step}`;
  const lit = part.items.some((i) => i.lamp);
  const kinds = [...new Set(straps.map((s) => s.closure))];
  const strapMin = straps.reduce((sum, s) => sum + s.count * closures[s.closure].eachMin, 0);
  const steps: Step[] = [];
  const coats = part.pieces.length === 0 ? 0 : coat.coats;
  for (let i = 1; i <= coats; i++) {
    const last = i === coats;
    steps.push({
      id: id(`seal${i}`),
      title: `${part.name}: ${coat.name}, coat ${i} of ${coats}`,
      detail: last ? 'Handle only when dry through.' : 'Thin and even.',
      partId: part.id,
      workMin: coat.workMin * part.copies,
      waitMin: last ? coat.handleMin : coat.betweenMin,
      waitFor: last ? 'dry to handle' : 'dry to recoat',
      after: [steps.at(-1)?.id ?? after],
      cautions: ['paint'],
    });
  }
  steps.push({
    id: id('paint'),
    title: `${part.name}: paint, dark to detail`,
    detail: 'Mix from the lightest colour, black last.',
    partId: part.id,
    workMin: 60 * part.copies,
    waitMin: 60,
    waitFor: 'paint dry',
    after: [steps.at(-1)?.id ?? after],
    cautions: ['paint'],
  });
  steps.push(...workSteps(part, 'painted', id('paint')));
  steps.push({
    id: id('clear'),
    title: `${part.name}: clear coat`,
    detail: lit ? 'Mask the lenses first.' : 'One even coat.',
    partId: part.id,
    workMin: 10 * part.copies,
    waitMin: 240,
    waitFor: 'clear coat dry to handle',
    after: [steps.at(-1)!.id],
    cautions: ['paint'],
  });
  const padded = part.zone !== undefined;
  if (padded || straps.length > 0)
    steps.push({
      id: id('strap'),
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
      after: [id('clear')],
      cautions: [],
    });
  return steps;
}
