import type { BuildDoc } from '../document';
import { glues, speeds } from '../materials';
import { gluedOf, type PartReport } from '../parts';
import { outlineLength } from '../geometry';
import { counted, trimNumber } from '../units';
import type { Step } from './step';

/** Steps that glue layers face to face, round what lies in them, and slope their edges. */
export function layerSteps(doc: BuildDoc, part: PartReport, after: string): Step[] {
  const layers = part.pieces.filter((p) => p.layers !== undefined);
  if (layers.length === 0) return [];
  const g = glues[doc.make.habits.glue];
  const id = (step: string): string => `${part.id}:${step}`;
  const steps: Step[] = [];
  const stacked = layers.filter((p) => p.layers! > 1);
  if (stacked.length > 1) {
    const metres = (gluedOf(part.pieces).layersMm * part.copies) / 1000;
    const channels = stacked.some((p) => p.marks.some((m) => m.channel));
    steps.push({
      id: id('layers'),
      kind: 'glue',
      title: `${part.name}: glue ${counted(stacked.length, 'layer')} face to face`,
      detail: `In this order: ${stacked.map((p) => p.name).join('; ')}. Both faces, ${g.name}; a paper slip keeps them apart while the edges are lined up.${channels ? ' Lay the stick in its channel before the layer that closes it.' : ''}`,
      partId: part.id,
      about: 'pieces',
      reads: { quantity: 'glue', stated: metres * g.gPerM },
      workMin: Math.ceil(metres / g.seamMPerMin) + g.touchMin,
      waitMin: g.cureMin,
      waitFor: `${g.name} at full strength`,
      after: [after, ...(channels && part.mount.to === 'part' ? [`${part.mount.part}:saw`] : [])],
      ...(channels && {
        gate: 'What lies inside goes in before it is closed: stick, wire and lamps, tested first.',
      }),
      cautions: [g.caution],
    });
  }
  const sloped = layers.filter((p) => p.marks.some((m) => m.kind === 'bevel'));
  if (sloped.length > 0) {
    const metres = (sloped.reduce((sum, p) => sum + outlineLength(p.outline), 0) * part.copies) / 1000;
    steps.push({
      id: id('slope'),
      kind: 'bevel',
      title: `${part.name}: slope the edges to the bevel lines`,
      detail: `${trimNumber(metres, 1)} m. A fresh blade laid on both lines takes the most; a drum and a block do the rest, the same on either face.`,
      partId: part.id,
      about: 'pieces',
      workMin: Math.ceil(metres / speeds.roundOverMPerMin),
      waitMin: 0,
      after: [steps.at(-1)?.id ?? after],
      cautions: ['blade', 'dust'],
    });
  }
  return steps;
}
