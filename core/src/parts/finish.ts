import type { Finish, Part } from '../document';
import { coatings, glues, type Habits, type PaintCoat, paints } from '../materials';
import { eachOf, type Piece } from '../panel';
import { gluedMm } from './glued';

/** Area that is sealed and painted in one copy: all faces that are seen. */
export const coatedMm2 = (pieces: readonly Piece[]): number =>
  pieces
    .filter((p) => (p.role === 'shell' && !p.inside) || p.face === 'outer')
    .reduce((sum, p) => sum + p.areaMm2 * eachOf(p), 0);

/** Coats of a part, from sealer to clear, when it has no finish of its own. */
const usual: Finish = { colours: 2, weathering: 'none', clearCoats: 1 };

/** How a part is finished, with every coat counted. */
export function recipeOf({ finish }: Pick<Part, 'finish'>, { seal }: Pick<Habits, 'seal'>): Required<Finish> {
  return { sealCoats: coatings[seal].coats, ...usual, ...finish };
}

/** The paints of a recipe in the order they go on. */
export function paintsOf({ colours, weathering, clearCoats }: Required<Finish>): PaintCoat[] {
  return [
    ...(colours > 0 ? [paints.base] : []),
    ...Array.from({ length: Math.max(0, colours - 1) }, () => paints.detail),
    ...(weathering === 'none' ? [] : [paints[weathering]]),
    ...Array.from({ length: clearCoats }, () => paints.clear),
  ];
}

/** Dry mass of glue, sealing coats and paint on one copy. */
export function finishG(
  pieces: readonly Piece[],
  part: Pick<Part, 'finish'>,
  habits: Pick<Habits, 'glue' | 'seal'>,
): number {
  const { glue, seal } = habits;
  const recipe = recipeOf(part, habits);
  const coat = coatings[seal];
  const sealG = coat.gPerM2 * (recipe.sealCoats / coat.coats);
  const paintG = paintsOf(recipe).reduce((sum, p) => sum + p.gPerM2, 0);
  return (gluedMm(pieces) / 1000) * glues[glue].gPerM + coatedMm2(pieces) * 1e-6 * (sealG + paintG);
}
