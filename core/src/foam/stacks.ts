import { itemAt } from '../units';
/** Sheets that may be glued face to face: one thickness, and what a square metre of it costs. */
export interface StackSheet {
  nominalMm: number;
  thicknessMm: number;
  pricePerM2: number;
}

/** Layers that come near a thickness, thickest in the middle. */
export interface StackWay {
  layersMm: number[];
  totalMm: number;
  /** Over the target when positive. */
  offMm: number;
  pricePerM2: number;
}

const MOST_LAYERS = 10;
const MOST_WAYS = 4000;

/** The thickest in the middle, the rest outwards alternately, so that faces are thin and cores thick. */
function thickInside(layers: readonly number[]): number[] {
  const found: number[] = [];
  [...layers].sort((a, b) => b - a).forEach((mm, i) => (i % 2 === 0 ? found.push(mm) : found.unshift(mm)));
  return found;
}

/**
 * Every set of sheets whose thicknesses with the glue between them come within a tolerance of a target: the nearest
 * first, then the fewest layers, then the cheapest.
 */
export function stackWays(
  sheets: readonly StackSheet[],
  targetMm: number,
  toleranceMm: number,
  glueMm: number,
): StackWay[] {
  const sizes = [...sheets].sort((a, b) => b.thicknessMm - a.thicknessMm);
  const ways: StackWay[] = [];
  const go = (from: number, layers: StackSheet[], totalMm: number): void => {
    if (ways.length >= MOST_WAYS) return;
    const offMm = totalMm - targetMm;
    if (layers.length > 0 && Math.abs(offMm) <= toleranceMm + 1e-9)
      ways.push({
        layersMm: thickInside(layers.map((s) => s.nominalMm)),
        totalMm,
        offMm,
        pricePerM2: layers.reduce((sum, s) => sum + s.pricePerM2, 0),
      });
    if (layers.length === MOST_LAYERS) return;
    for (let i = from; i < sizes.length; i++) {
      const next = totalMm + itemAt(sizes, i).thicknessMm + (layers.length > 0 ? glueMm : 0);
      if (next <= targetMm + toleranceMm + 1e-9) go(i, [...layers, itemAt(sizes, i)], next);
    }
  };
  go(0, [], 0);
  // Foam gives by more than a glue line: closeness counts in half millimetres.
  const near = (w: StackWay): number => Math.round(Math.abs(w.offMm) * 2);
  return ways.sort(
    (a, b) => near(a) - near(b) || a.layersMm.length - b.layersMm.length || a.pricePerM2 - b.pricePerM2,
  );
}
