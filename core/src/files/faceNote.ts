/** Which face a piece is cut from, in words for its label. */
export const faceNote = ({ flipped, over }: { flipped: boolean; over?: true }): string =>
  over ? ', from the other face, then turned over' : flipped ? ', flipped' : '';
