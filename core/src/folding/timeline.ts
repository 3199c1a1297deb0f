import type { StepAbout } from '../plan';
import type { FoldedPiece } from './foldPart';

/** A thing is on its way for so many turns of one: each is begun before the last is there. */
const TURNS = 2;

/** How far one of several things is on its way when so much of the whole is done, one after the other. */
export const shareOf = (whole: number, index: number, count: number): number =>
  Math.min(1, Math.max(0, (whole * (count - 1 + TURNS) - index) / TURNS));

/** What of it each step does; the others are not seen in it. */
const doneBy: Partial<Record<StepAbout, readonly FoldedPiece['kind'][]>> = {
  folds: ['piece'],
  darts: ['piece'],
  bends: ['piece'],
  seams: ['piece'],
  attached: ['piece'],
  laid: ['detail'],
  details: ['detail'],
  items: ['detail'],
  mount: ['carrier'],
  wires: ['wire'],
};

/** From where to where of the whole a step goes; nothing where it is not seen in it. */
export function spanOf(
  things: readonly Pick<FoldedPiece, 'kind' | 'id'>[],
  { about, featureIds }: { about: StepAbout; featureIds?: readonly string[] },
): [from: number, to: number] | undefined {
  const kinds = doneBy[about];
  if (!kinds) return undefined;
  const own = things.flatMap((t, i) =>
    kinds.includes(t.kind) && (t.kind !== 'detail' || !featureIds || featureIds.includes(t.id)) ? [i] : [],
  );
  if (own.length === 0) return undefined;
  const turns = things.length - 1 + TURNS;
  return [own[0]! / turns, Math.min(1, (own[own.length - 1]! + TURNS) / turns)];
}
