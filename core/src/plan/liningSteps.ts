import type { BuildDoc } from '../document';
import { glues } from '../materials';
import { gluedOf, type PartReport } from '../parts';
import type { Step } from './step';

/** Gluing the lining in, and a last test where it closes something in. */
export function liningSteps(doc: BuildDoc, part: PartReport, after: string): Step[] {
  if (!part.lining) return [];
  const g = glues[doc.make.habits.glue];
  const lit = part.items.length > 0;
  const metres = (gluedOf(part.pieces).liningMm * part.copies) / 1000;
  const id = (step: string): string => `${part.id}:${step}`;
  const lining: Step = {
    id: id('lining'),
    kind: 'glue',
    title: `${part.name}: glue the lining`,
    detail: `${part.lining.name}${lit ? ' over the wires, hatch left loose over the pack' : ' inside, from the middle outwards'}.`,
    partId: part.id,
    about: 'lining',
    reads: { quantity: 'glue', stated: metres * g.gPerM },
    workMin: Math.ceil(metres / g.seamMPerMin) + g.touchMin,
    waitMin: g.cureMin,
    waitFor: `${g.name} at full strength`,
    after: [after],
    cautions: [g.caution],
  };
  if (!lit) return [lining];
  return [
    lining,
    {
      id: id('test3'),
      kind: 'test',
      about: 'wires',
      title: `${part.name}: test after closing`,
      detail: 'Last chance to reopen before paint.',
      partId: part.id,
      workMin: 5,
      waitMin: 0,
      after: [lining.id],
      gate: 'Paint hides the way back in.',
      cautions: [],
    },
  ];
}
