import type { Brightness } from './face';

/**
 * How well the eye tells stripes of so many periods a degree, as a share of its best: 2.6·(0.0192 + 0.114 f)·
 * exp(−(0.114 f)^1.1). Source: Mannos and Sakrison, IEEE Trans. Information Theory IT-20 (1974) 525.
 */
export const contrastSense = (cyclesPerDegree: number): number =>
  2.6 * (0.0192 + 0.114 * cyclesPerDegree) * Math.exp(-((0.114 * cyclesPerDegree) ** 1.1));

/** The least contrast that is seen where the eye is at its best; from memory. */
const LEAST_CONTRAST = 0.01;
/** What light of its own a face has beside what falls on it: dark room, lit room, daylight; from memory. */
export const surroundings = { dark: 0, room: 0.3, daylight: 10 } as const;
export type Surroundings = keyof typeof surroundings;

/** Peaks lie so many cells from anything brighter, at least. */
const NEAR = 2;

interface Peak {
  c: number;
  r: number;
  value: number;
}

/** Cells brighter than all round them. */
function peaksOf({ columns, rows, values }: Brightness): Peak[] {
  const at = (c: number, r: number): number => values[r * columns + c]!;
  const found: Peak[] = [];
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) {
      const value = at(c, r);
      let highest = true;
      for (let j = Math.max(0, r - NEAR); highest && j <= Math.min(rows - 1, r + NEAR); j++)
        for (let i = Math.max(0, c - NEAR); i <= Math.min(columns - 1, c + NEAR); i++) {
          if (i === c && j === r) continue;
          // Of cells that are alike the first is the peak.
          if (at(i, j) > value || (at(i, j) === value && (j < r || (j === r && i < c)))) highest = false;
        }
      if (highest) found.push({ c, r, value });
    }
  return found;
}

/** The darkest cell of a face. */
function darkest({ columns, values }: Brightness): { c: number; r: number } {
  const at = values.indexOf(values.reduce((least, v) => Math.min(least, v), Infinity));
  return { c: at % columns, r: Math.floor(at / columns) };
}

/** The darkest spot on the straight way from one peak to another. */
function valley({ columns, rows, values }: Brightness, from: Peak, to: { c: number; r: number }): number {
  const steps = Math.max(2, Math.ceil(Math.hypot(to.c - from.c, to.r - from.r) * 2));
  let least = from.value;
  for (let i = 1; i < steps; i++) {
    const c = Math.round(from.c + ((to.c - from.c) * i) / steps);
    const r = Math.round(from.r + ((to.r - from.r) * i) / steps);
    least = Math.min(least, values[Math.min(rows - 1, r) * columns + Math.min(columns - 1, c)]!);
  }
  return least;
}

/**
 * How many spots of a lit face the eye tells from what is between them, from a distance and in some light: each peak by
 * its contrast to the valley before its neighbour (Michelson), at the fineness that has for the eye.
 */
export function hotSpotsSeen(lit: Brightness, distanceMm: number, where: Surroundings): number {
  const peaks = peaksOf(lit);
  const mean = lit.values.reduce((sum, v) => sum + v, 0) / lit.values.length;
  const veil = surroundings[where] * mean;
  const perDegreeMm = distanceMm * Math.tan(Math.PI / 180);
  return peaks.filter((peak) => {
    const others = peaks.filter((p) => p !== peak);
    const away = (p: { c: number; r: number }): number => Math.hypot(p.c - peak.c, p.r - peak.r);
    const next = others.reduce<Peak | undefined>(
      (best, p) => (!best || away(p) < away(best) ? p : best),
      undefined,
    );
    // A single spot stands against the darkest there is, half a period away.
    const dark = next ?? darkest(lit);
    const low = next ? valley(lit, peak, next) : lit.values[dark.r * lit.columns + dark.c]!;
    const contrast = (peak.value - low) / (peak.value + low + 2 * veil);
    const cycles = perDegreeMm / (away(dark) * (next ? 1 : 2) * lit.cellMm);
    return contrast * contrastSense(cycles) >= LEAST_CONTRAST;
  }).length;
}
