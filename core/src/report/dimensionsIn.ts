import type { BuildDoc } from '../document';
import { type Dimension, dimensionsOf, featureDimensions } from '../dimensions';
import { catalogue as standard } from '../materials';
import { standardKinds } from '../parts';
import { byId } from '../units';
import { contextOfPart, surroundingsOf } from './surroundings';

/** Dimensions of a part of a build, all that are found within a time, or those that are wanted; or those of one of its details. */
export function dimensionsIn(
  doc: BuildDoc,
  partId: string,
  {
    wanted,
    withinMs = Infinity,
    featureId,
  }: { wanted?: readonly string[]; withinMs?: number; featureId?: string } = {},
): Dimension[] {
  const part = byId(doc.parts, partId);
  if (!part || !standardKinds.forms.has(part.form)) return [];
  const context = contextOfPart(doc, part, surroundingsOf(doc, standard, standardKinds));
  if (featureId !== undefined) return featureDimensions(part, context, featureId);
  return dimensionsOf(part, context, wanted, performance.now() + withinMs);
}
