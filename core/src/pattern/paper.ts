import type { CutPlan, PageSize } from '../document';
import type { Vec2 } from '../geometry';

/** Paper in millimetres: ISO 216 for A sizes, ANSI/ASME Y14.1 for Letter and Legal. */
export const paper: Record<PageSize, { widthMm: number; heightMm: number }> = {
  A4: { widthMm: 210, heightMm: 297 },
  A3: { widthMm: 297, heightMm: 420 },
  Letter: { widthMm: 215.9, heightMm: 279.4 },
  Legal: { widthMm: 215.9, heightMm: 355.6 },
};

/** Edge no home printer reaches, and the band at the foot for bars, map and legend. */
export const PAGE_MARGIN_MM = 8;
export const FOOT_MM = 34;

/** What the next print is enlarged by, across and along the page, so that both bars measure true. */
export const printScale = ({ barMeasuredMm, barAlongMeasuredMm = barMeasuredMm }: CutPlan): Vec2 => ({
  x: 100 / barMeasuredMm,
  y: 100 / barAlongMeasuredMm,
});
