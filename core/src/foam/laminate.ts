/** One glue line of contact cement, from memory. */
const GLUE_LINE_MM = 0.1;

/** Thickness of sheets glued face to face. */
export const laminateMm = (sheetsMm: readonly number[]): number =>
  sheetsMm.reduce((sum, t) => sum + t, 0) + GLUE_LINE_MM * Math.max(0, sheetsMm.length - 1);
