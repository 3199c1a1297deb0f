import type { BuildDoc } from '../document';
import { catalogue } from '../materials';
import { partReport, type PartReport, standardKinds } from '../parts';
import { contextOfPart, surroundingsOf } from './surroundings';

/** The parts of a build worked out coarsely, and nothing of them noticed: as much as a picture wants. */
export function coarseParts(doc: BuildDoc): PartReport[] {
  const around = surroundingsOf(doc, catalogue, standardKinds);
  return doc.parts.map((part) =>
    partReport(part, contextOfPart(doc, part, around), true, undefined, { untried: true }),
  );
}
