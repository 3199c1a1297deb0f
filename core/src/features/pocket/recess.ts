/** Skin of foam left outside a pocket, from memory. */
const SKIN_MM = 2;

/** Deepest pocket that can be cut into the back of foam of this thickness. */
export const pocketDepthMm = (thicknessMm: number): number => Math.max(0, thicknessMm - SKIN_MM);

/** Traced outline to cut for a snug fit in foam: 1 mm under per side (common practice; default from memory). */
export const snugPocketMm = (sizeMm: number): number => sizeMm - 2;
