/** How a piece is cut, in words for its label: as the mirror of the other hand, or from the foam's other face and turned over. */
export const faceNote = ({ flipped, over }: { flipped: boolean; over?: true }): string =>
  over ? ', turned over' : flipped ? ', flipped' : '';
