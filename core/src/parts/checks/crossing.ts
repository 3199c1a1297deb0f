import type { Check } from '../../document';
import { overlapsItself } from '../../geometry';
import type { Piece } from '../../panel';

/** Pieces whose outlines cross themselves where they are laid flat; told once, with how many there are. */
export function crossingChecks(pieces: readonly Piece[]): Check[] {
  const crossed = pieces.filter((p) => overlapsItself(p.outline));
  const [first] = crossed;
  if (!first) return [];
  const more = crossed.length - 1;
  return [
    {
      id: 'crosses-itself',
      severity: 'mind',
      station: 'shape',
      title: `${first.name} crosses itself where it is laid flat${
        more > 0 ? `, and ${more} more ${more === 1 ? 'piece does' : 'pieces do'}` : ''
      }: it cannot be cut in one.`,
      why: 'Where an outline runs over itself the same foam would be needed twice. A seam or a dart across it, or a shorter run, takes it apart.',
      provenance: 'measured',
      excess: crossed.length,
      pieceId: first.id,
      remedies: [],
    },
  ];
}
