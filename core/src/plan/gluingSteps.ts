import type { BuildDoc } from '../document';
import { glues } from '../materials';
import { eachOf } from '../panel';
import { gluedOf, type PartReport } from '../parts';
import { trimNumber } from '../units';
import { attachedEdges } from './attachedEdges';
import type { Link } from './cuttingSteps';

/** Metres of glue of all copies, by what is glued. */
function metresOf(part: PartReport): Record<'seams' | 'attached' | 'darts' | 'laid', number> {
  const { seamsMm, hungMm, dartsMm, laidMm } = gluedOf(part.pieces);
  const metres = (mm: number): number => (mm * part.copies) / 1000;
  return {
    seams: metres(seamsMm),
    attached: metres(hungMm),
    darts: metres(dartsMm),
    laid: metres(laidMm),
  };
}

export function dartStep({ make: { habits } }: BuildDoc, part: PartReport): Link | undefined {
  const metres = metresOf(part).darts;
  if (metres === 0) return undefined;
  const g = glues[habits.glue];
  return {
    id: `${part.id}:darts`,
    kind: 'glue',
    title: `${part.name}: close the darts`,
    detail: `Cut the wedges out, glue leg to leg with ${g.name}, outside faces flush, from the tip outwards.`,
    partId: part.id,
    about: 'darts',
    workMin: Math.ceil(metres / g.seamMPerMin) + g.touchMin,
    waitMin: g.touchMin,
    waitFor: 'darts holding',
    gate: 'A dart is closed before the piece is bent and joined; afterwards its legs no longer meet.',
    cautions: [g.caution],
  };
}

/** What every step of gluing has: so many metres, held until the glue is at full strength. */
function gluing({ make: { habits } }: BuildDoc, part: PartReport, metres: number) {
  const g = glues[habits.glue];
  return {
    kind: 'glue',
    partId: part.id,
    workMin: Math.ceil(metres / g.seamMPerMin) + g.touchMin,
    waitMin: g.cureMin,
    waitFor: `${g.name} at full strength`,
    cautions: [g.caution],
    reads: { quantity: 'glue', stated: metres * g.gPerM },
  } as const satisfies Partial<Link>;
}

export function seamStep(doc: BuildDoc, part: PartReport): Link | undefined {
  const metres = metresOf(part).seams;
  if (metres === 0) return undefined;
  return {
    ...gluing(doc, part, metres),
    id: `${part.id}:seam`,
    title: `${part.name}: glue the seams`,
    detail: `${glues[doc.make.habits.glue].name}, ${trimNumber(metres, 2)} m, from a corner outwards, outside faces flush. Letters match.`,
    about: 'seams',
  };
}

export function joinStep(doc: BuildDoc, part: PartReport): Link | undefined {
  const attached = attachedEdges(part).filter((e) => e.by === 'glue');
  if (attached.length === 0) return undefined;
  return {
    ...gluing(doc, part, metresOf(part).attached),
    id: `${part.id}:join`,
    title: `${part.name}: glue plate to plate`,
    detail: `${attached.map((e) => e.words).join('; ')}.`,
    about: 'attached',
  };
}

/** Trim and layers that have no step of their own. */
export function layOnStep(doc: BuildDoc, part: PartReport): Link | undefined {
  const laidOn = part.pieces.filter((p) => p.role === 'laid' && !p.ownStep);
  if (laidOn.length === 0) return undefined;
  const count = laidOn.reduce((sum, p) => sum + eachOf(p), 0) * part.copies;
  const { reads: _reads, ...glue } = gluing(doc, part, metresOf(part).laid);
  return {
    ...glue,
    id: `${part.id}:laid`,
    title: `${part.name}: lay on ${count} trim and layer ${count === 1 ? 'piece' : 'pieces'}`,
    detail: `${laidOn.map((p) => p.name).join('; ')}. Warm and bend each to the shell first; outside edges flush, mitres last.`,
    about: 'laid',
    workMin: glue.workMin + 3 * count,
  };
}
