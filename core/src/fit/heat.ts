import type { Body } from '../body';

/** Body surface by Mosteller, √(height cm · mass kg / 3600) m² (1987; from memory), with mass taken from girths. */
export function bodySurfaceM2(body: Body): number {
  const stature = body.stature.valueMm / 1000;
  // A trunk of elliptical slices is about 55 % of the body; density of the body is close to water.
  const girth = (body.chestGirth.valueMm + body.waistGirth.valueMm + body.hipGirth.valueMm) / 3000;
  const trunkM3 = ((girth * girth) / (4 * Math.PI)) * stature * 0.36 * 0.95;
  const massKg = Math.min(160, Math.max(15, (trunkM3 * 1000) / 0.55));
  return Math.sqrt((stature * 100 * massKg) / 3600);
}

/** Share of the body that foam covers, 0…1. */
export const coveredShare = (body: Body, foamAreaMm2: number): number =>
  Math.min(1, foamAreaMm2 / 1e6 / bodySurfaceM2(body));

/** Above this, breaks are planned; from memory. */
export const hotShare = 0.35;
