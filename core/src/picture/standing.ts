import { itemAt } from '../units';
import type { Spot } from './picture';

/** Something seen on a standing figure, and how high above the floor it is, mm. */
export interface Height {
  name: string;
  upMm: number;
}

/** A figure that stands in a picture as all its marks say together. */
export interface Standing {
  crown: Spot;
  floor: Spot;
  /** How far each mark is off, mm at the figure's scale, in the order they were given. */
  offMm: { name: string; mm: number }[];
  /** What the scale is likely to be off by for that, as a share (one standard deviation). */
  likelyShare: number;
}

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/**
 * The upright figure that comes nearest to marks on it: spot = foot + way × height, across and down each by least
 * squares (simple linear regression; the standard error of its slope by the usual formula).
 * @param marks where things are seen, by the names in `heights`; two at different heights at the least.
 */
export function standingBy(
  marks: readonly { name: string; at: Spot }[],
  heights: readonly Height[],
): Standing | undefined {
  const seen = marks.flatMap(({ name, at }) => {
    const upMm = heights.find((h) => h.name === name)?.upMm;
    return upMm === undefined ? [] : [{ name, at, upMm }];
  });
  const crownMm = Math.max(...heights.map((h) => h.upMm));
  const middle = mean(seen.map((s) => s.upMm));
  const spread = seen.reduce((sum, s) => sum + (s.upMm - middle) ** 2, 0);
  if (seen.length < 2 || spread < 1) return undefined;
  const line = (k: 0 | 1): ((upMm: number) => number) => {
    const level = mean(seen.map((s) => s.at[k]));
    const slope = seen.reduce((sum, s) => sum + (s.upMm - middle) * (s.at[k] - level), 0) / spread;
    return (upMm) => level + slope * (upMm - middle);
  };
  const [x, y] = [line(0), line(1)];
  const at = (upMm: number): Spot => [x(upMm), y(upMm)];
  const [crown, floor] = [at(crownMm), at(0)];
  const pxPerMm = Math.hypot(crown[0] - floor[0], crown[1] - floor[1]) / crownMm;
  if (pxPerMm < 1e-9) return undefined;
  const offPx = seen.map((s) => {
    const [px, py] = at(s.upMm);
    return Math.hypot(s.at[0] - px, s.at[1] - py);
  });
  // Two lines of two values each are taken from twice as many coordinates as there are marks.
  const free = 2 * seen.length - 4;
  const square = offPx.reduce((sum, d) => sum + d * d, 0);
  const sigma = free > 0 ? Math.sqrt(square / free) : 0;
  return {
    crown,
    floor,
    offMm: seen.map((s, i) => ({ name: s.name, mm: itemAt(offPx, i) / pxPerMm })),
    likelyShare: sigma / Math.sqrt(spread) / pxPerMm,
  };
}
