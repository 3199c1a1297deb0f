/** A layer of a wedge: it begins at the thick end and is so long; 0 to 1 of the whole. */
export interface WedgeLayer {
  share: number;
}

/** Layers thinner than this at their end are left to be sanded to nothing, mm. */
const NOTHING_MM = 0.3;

/**
 * Layers of foam that are stacked in steps and sanded to a slope: those as long as the whole up to the thin end, then
 * shorter and shorter ones at the thick end, each as long as the wedge is thicker than what lies under it.
 * @param thinMm at its thin end, `thickMm` at its thick end, of layers `layerMm` each; the thick end is the whole number of
 *   layers that holds it.
 */
export function wedgeLayers(thinMm: number, thickMm: number, layerMm: number): WedgeLayer[] {
  if (thickMm <= NOTHING_MM) return [];
  const count = Math.max(1, Math.ceil((thickMm - NOTHING_MM) / layerMm));
  return Array.from({ length: count }, (_, k): WedgeLayer => {
    const under = k * layerMm;
    if (under <= thinMm) return { share: 1 };
    return { share: Math.min(1, (thickMm - under) / (thickMm - thinMm)) };
  });
}
