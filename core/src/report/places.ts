import { byId } from '../units';
import type { BuildDoc } from '../document';
import { catalogue } from '../materials';
import { type NoPlace, type Placement, placements, standardKinds, type Tilt } from '../parts';
import { contextOfPart, surroundingsOf } from './surroundings';

/** The best places for something inside a part of a build; none when there is no such part. */
export function placesFor(
  doc: BuildDoc,
  partId: string,
  featureId: string,
  tilt: Tilt,
): { found: Placement[] } | NoPlace {
  const part = byId(doc.parts, partId);
  if (!part) return { found: [] };
  const context = contextOfPart(doc, part, surroundingsOf(doc, catalogue, standardKinds));
  return placements(part, context, featureId, tilt);
}
