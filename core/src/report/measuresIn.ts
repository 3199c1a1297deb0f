import { type MeasureKey, measures } from '../body';
import type { BuildDoc } from '../document';
import { catalogue as standard } from '../materials';
import { modelOf, standardKinds } from '../parts';
import { contextOfPart, surroundingsOf } from './surroundings';

/** Measures that decide whether the parts of a build fit, each once, in the order a tape is taken round the body. */
export function decisiveMeasures(doc: BuildDoc): MeasureKey[] {
  const around = surroundingsOf(doc, standard, standardKinds);
  const decisive = new Set(
    doc.parts.flatMap((part) => modelOf(part, contextOfPart(doc, part, around)).measures),
  );
  return measures.map((m) => m.key).filter((key) => decisive.has(key));
}
