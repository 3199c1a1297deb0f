import type { BuildDoc, Feature, Place } from '../document';
import type { Pointed } from '../features';
import { catalogue as standard } from '../materials';
import { standardKinds, startFeature } from '../parts';
import { byId, fail, type Result } from '../units';
import { contextOfPart, surroundingsOf } from './surroundings';

/** A new feature as it is asked for on the bench. */
export interface StartAsked {
  partId: string;
  kind: string;
  id: string;
  pointed: Pointed;
  place?: Place;
}

/** A feature of a kind that fits a part of a build, or a sentence that says why none does. */
export function startIn(
  doc: BuildDoc,
  { partId, kind: name, id, pointed, place }: StartAsked,
): Result<Feature> {
  const part = byId(doc.parts, partId);
  const kind = standardKinds.features.get(name);
  if (!part || !kind) return fail('That part is no longer there.');
  const context = contextOfPart(doc, part, surroundingsOf(doc, standard, standardKinds));
  return startFeature(part, context, { kind, pointed, id, ...(place && { place }) });
}
