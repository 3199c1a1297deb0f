import { type Mesh, slicerOf, tapeGirthMm, type Vec2 } from '../geometry';
import { fail, ok, type Result } from '../units';
import type { MeasureKey } from './measures';
import { evened, soundBodies, steady } from './scanSlices';

/** Heights of a scan of a head, with or without its neck and a little of the shoulders. */
export const headHeightsMm: readonly [number, number] = [180, 450];

/** The widest girth of a head lies between these depths below the crown; from memory. */
const BAND_MM: readonly [number, number] = [45, 150];
const STEP_MM = 3;

/** Extents of a section along its own long and short axis: the turn of the narrowest box round it. */
function extents(points: readonly Vec2[]): { longMm: number; shortMm: number } {
  let best = { longMm: Infinity, shortMm: Infinity };
  for (let deg = 0; deg < 90; deg += 1) {
    const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    const [xs, ys] = [points.map((p) => p.x * c + p.y * s), points.map((p) => p.y * c - p.x * s)];
    const [w, h] = [xs, ys].map((v) => Math.max(...v) - Math.min(...v)) as [number, number];
    if (w * h < best.longMm * best.shortMm) best = { longMm: Math.max(w, h), shortMm: Math.min(w, h) };
  }
  return best;
}

/**
 * Reads a scan of a head, crown up: girth as a tape over brow and back reads it, length and breadth of that slice.
 * @returns measures found, millimetres, or why the scan cannot be read.
 */
export function measureHeadScan(mesh: Mesh): Result<Partial<Record<MeasureKey, number>>> {
  const crown = mesh.points.reduce((top, p) => Math.max(top, p.z), -Infinity);
  const cut = slicerOf(mesh);
  const slices: Vec2[][] = [];
  for (let depth = BAND_MM[0]; depth <= BAND_MM[1]; depth += STEP_MM) {
    const [body] = soundBodies(cut(crown - depth));
    if (body) slices.push(body);
  }
  if (slices.length < 6) return fail('No head can be made out below the top of the scan. Is its crown up?');
  const bands = slices.slice(1, -1).map((s, i) => evened([...slices[i]!, ...s, ...slices[i + 2]!]));
  const girths = steady(bands.map((b) => tapeGirthMm(b)));
  const widest = girths.reduce((best, g, i) => (g > girths[best]! ? i : best), 0);
  const { longMm, shortMm } = extents(bands[widest]!);
  return ok({
    headGirth: Math.round(girths[widest]!),
    headLength: Math.round(longMm),
    headBreadth: Math.round(shortMm),
  });
}
