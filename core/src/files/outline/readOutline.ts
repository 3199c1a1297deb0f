import { signedArea, thinned, type Vec2 } from '../../geometry';
import { fail, ok, type Result } from '../../units';
import { dxfRings } from './dxf';
import { svgRings } from './svg';

/** What a drawing without units may be drawn in. */
export const drawingUnits = [
  { label: 'millimetres', mm: 1 },
  { label: 'centimetres', mm: 10 },
  { label: 'inches', mm: 25.4 },
  { label: 'points of 1/72 inch', mm: 25.4 / 72 },
  { label: 'pixels of 1/96 inch', mm: 25.4 / 96 },
] as const;

/** An outline that was read, or that the maker must say the unit of first. */
export type ReadOutline = { points: [x: number, y: number][] } | { asks: 'unit' };

/** Largest drawing that is taken, characters. */
const MOST_TEXT = 5_000_000;
const LEAST_MM2 = 25;

/**
 * The largest closed outline of an SVG or DXF file at true size, its middle on the middle line and its foot at nought,
 * thinned to so many points.
 */
export function readOutline(text: string, name: string, most: number, unitMm?: number): Result<ReadOutline> {
  if (text.length > MOST_TEXT) return fail('The drawing is larger than 5 MB. Save the outline alone.');
  const read = /\.dxf$/i.test(name) ? dxfRings(text) : svgRings(text);
  if (!read.ok) return read;
  const { rings, unitMm: said } = read.value;
  const largest = rings
    .filter((r) => r.length >= 3 && r.every((p) => Number.isFinite(p.x) && Number.isFinite(p.y)))
    .reduce<Vec2[]>((a, b) => (Math.abs(signedArea(b)) > Math.abs(signedArea(a)) ? b : a), []);
  if (largest.length < 3) return fail(`${name} holds no closed outline.`);
  const unit = said ?? unitMm;
  if (unit === undefined) return ok({ asks: 'unit' });
  const sized = largest.map((p) => ({ x: p.x * unit, y: p.y * unit }));
  if (Math.abs(signedArea(sized)) < LEAST_MM2)
    return fail(`The largest outline of ${name} is under 25 mm²; check its unit.`);
  const ring = signedArea(sized) < 0 ? [...sized].reverse() : sized;
  const thin = thinned(ring, most, 0.1);
  const xs = thin.map((p) => p.x);
  const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
  const foot = Math.min(...thin.map((p) => p.y));
  const round = (v: number): number => Math.round(v * 100) / 100;
  return ok({ points: thin.map((p) => [round(p.x - middle), round(p.y - foot)]) });
}
