import type { Body } from '../body/estimate';
import type { FormHandle, FormInput, FormParams, FormShape, Outlook, Zone } from './contract';
import { bracer } from './bracer/bracer';
import { drapedKinds, formKinds } from './kinds';
import type { Vec2 } from '../geometry/vec';
import { closures, type Closure } from '../materials/closures';
import type { Part } from '../build/document';

type Surroundings = Omit<FormInput<FormParams>, 'params'>;

/** The one place that knows which form a part has. */
export const shapeOf = (part: Part, around: Surroundings): FormShape =>
  part.form === 'bracer'
    ? bracer.shape({ ...around, params: part.params })
    : drapedKinds[part.form].shape({ ...around, params: part.params });

export const outlookOf = (part: Part, around: Surroundings): Outlook =>
  part.form === 'bracer'
    ? bracer.outlook({ ...around, params: part.params })
    : drapedKinds[part.form].outlook({ ...around, params: part.params });

/** Values of a draped part that can be dragged on its solid. */
export const handlesOf = (part: Part, around: Surroundings): FormHandle[] =>
  part.form === 'bracer' ? [] : (drapedKinds[part.form].handles?.({ ...around, params: part.params }) ?? []);

export const silhouetteOf = (part: Part, body: Body): Vec2[] =>
  part.form === 'bracer'
    ? bracer.silhouette(part.params, body)
    : drapedKinds[part.form].silhouette(part.params, body);

export const zoneOf = (part: Part): Zone => formKinds[part.form].zone;

/** Forms that come in the middle are not mirrored; the others have a left and a right. */
const middle: Zone[] = ['head', 'neck', 'torso', 'hips', 'back'];
export const isPaired = (part: Part): boolean => !middle.includes(zoneOf(part)) || part.form === 'ear-pod';

/** How a part is shut: by its own field, by straps where it has a gap, or not at all. */
export function closureOf(part: Part): Closure {
  if (part.form === 'bracer') return closures[part.params.closure];
  if (part.params['sides'] === 'laced') return closures.lacing;
  const gap = part.params['gapMm'];
  const open = typeof gap === 'number' && gap > 0 && part.params['back'] !== 'closed';
  return open || part.form === 'breastplate' || part.form === 'belt' || part.form === 'pauldron'
    ? closures['hook-and-loop']
    : closures.none;
}
