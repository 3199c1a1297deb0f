import type { BuildDoc } from '../document';
import type { Shine } from '../features';
import { shineOf } from '../glow';
import { catalogue as standard } from '../materials';
import { makePart, standardKinds } from '../parts';
import { byId } from '../units';
import { contextOfPart, surroundingsOf } from './surroundings';

/** All the light that a part of a build gives: faces that glow, lamps that are seen, pieces that light goes through. */
export function shineIn(doc: BuildDoc, partId: string): Shine | undefined {
  const part = byId(doc.parts, partId);
  if (!part || !standardKinds.forms.has(part.form)) return undefined;
  const context = contextOfPart(doc, part, surroundingsOf(doc, standard, standardKinds));
  return shineOf(makePart(part, context, { coarse: true }), context.kinds);
}
