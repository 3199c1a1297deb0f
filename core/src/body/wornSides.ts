/** Where the copies of a part are worn. */
export const wornSides = ['left', 'right', 'pair', 'middle'] as const;
export type WornSide = (typeof wornSides)[number];

/** Sides of the copies: +1 the wearer's right, −1 the left. What is worn in the middle is drawn as one on the right. */
export const sidesWorn = (side: WornSide): (1 | -1)[] =>
  side === 'pair' ? [1, -1] : [side === 'left' ? -1 : 1];
