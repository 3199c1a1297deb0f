import { firstOf } from '../units';
import { scattered } from './scatter';
/** A lamp behind a face: where it shines from, and how narrowly. */
export interface LightSource {
  xMm: number;
  yMm: number;
  /** Light out of it, any unit: brightness is reported in the same per square millimetre. */
  flux: number;
  /** Intensity goes with the cosine of the angle to this power: 1 is a Lambertian lamp, 10 a narrow clear one. */
  lobe: number;
}

/** What light goes through, from the lamps out: what share of it passes, and how far it is spread sideways. */
export interface DiffuserLayer {
  transmission: number;
  spreadMm: number;
}

/** A lit face: a rectangle from 0 to its width and height, lamps at a distance behind it, walls round it. */
export interface LitFace {
  widthMm: number;
  heightMm: number;
  distanceMm: number;
  sources: readonly LightSource[];
  layers: readonly DiffuserLayer[];
  /** Share of the light that the side walls give back. */
  wallReflectance: number;
  /** Of that, the share they scatter all round, as paint and foam do; mirrors scatter none. */
  wallDiffuse?: number;
}

export interface Brightness {
  columns: number;
  rows: number;
  cellMm: number;
  /** Light out of each cell per mm², row by row from the lower left. */
  values: Float64Array;
  /** Least over mean, brightest over mean, and how much of the lamps' light comes out. */
  evenness: number;
  hotSpot: number;
  passed: number;
}

/** Light that lands further off than so many distances is a sixtieth of a Lambertian lamp's; weaker images are left out. */
const REACH = 8;
const WEAKEST = 0.003;

/** Lamps with their images in the side walls: each reflection a lamp beyond the wall, weaker by what the wall takes. */
function withImages({
  widthMm: w,
  heightMm: h,
  distanceMm,
  sources,
  wallReflectance,
  wallDiffuse = 0,
}: LitFace): LightSource[] {
  const rho = wallReflectance * (1 - wallDiffuse);
  if (rho <= 0) return [...sources];
  const reachMm = REACH * distanceMm;
  const [across, up] = [Math.ceil(reachMm / w), Math.ceil(reachMm / h)];
  const images: LightSource[] = [];
  for (const s of sources)
    for (let i = -across; i <= across; i++)
      for (let j = -up; j <= up; j++) {
        const share = rho ** (Math.abs(i) + Math.abs(j));
        // How far the image's box stands off the face.
        const off = Math.hypot(Math.max(0, Math.abs(i) - 1) * w, Math.max(0, Math.abs(j) - 1) * h);
        if (share < WEAKEST || off > reachMm) continue;
        images.push({
          ...s,
          xMm: i % 2 === 0 ? s.xMm + i * w : i * w + (w - s.xMm),
          yMm: j % 2 === 0 ? s.yMm + j * h : j * h + (h - s.yMm),
          flux: s.flux * share,
        });
      }
  return images;
}

/**
 * Light on a plane from a lamp over it: E = I(θ)·cos θ/r², I(θ) = Φ·(m + 1)/2π·cosᵐ θ (inverse square and cosine law; the
 * lobe's intensity sums to its flux over the half space).
 */
export function irradiance(
  { flux, lobe }: Pick<LightSource, 'flux' | 'lobe'>,
  asideMm: number,
  distanceMm: number,
): number {
  const r2 = asideMm * asideMm + distanceMm * distanceMm;
  const cos = distanceMm / Math.sqrt(r2);
  return ((flux * (lobe + 1)) / (2 * Math.PI)) * (cos ** (lobe + 1) / r2);
}

/** Spreads a row of values as a Gaussian of `sigma` cells, mirrored at its ends; the sum stays. */
function spreadRow(
  from: Float64Array,
  at: number,
  step: number,
  count: number,
  kernel: Float64Array,
  row: Float64Array,
): void {
  const reach = kernel.length - 1;
  for (let i = 0; i < count; i++) row[i] = from[at + i * step]!;
  const mirrored = (i: number): number => {
    const period = 2 * count;
    const k = ((i % period) + period) % period;
    return k < count ? k : period - 1 - k;
  };
  for (let i = 0; i < count; i++) {
    let sum = firstOf(kernel) * row[i]!;
    for (let k = 1; k <= reach; k++) sum += kernel[k]! * (row[mirrored(i - k)]! + row[mirrored(i + k)]!);
    from[at + i * step] = sum;
  }
}

/** Half of a Gaussian that sums to one with its mirror image. */
function kernelOf(sigma: number): Float64Array {
  const reach = Math.max(1, Math.ceil(3 * sigma));
  const half = Float64Array.from({ length: reach + 1 }, (_, k) => Math.exp((-k * k) / (2 * sigma * sigma)));
  const sum = half.reduce((s, v, k) => s + (k === 0 ? v : 2 * v), 0);
  return half.map((v) => v / sum);
}

/**
 * Brightness over a face: each lamp and its images in walls that mirror by cosine and inverse square, what walls that
 * scatter send on, weakened by every layer and spread by all of them (Gaussian spreads add as their squares do).
 * @param across cells along the longer side.
 */
export function litFace(face: LitFace, across = 96): Brightness {
  const { widthMm, heightMm, distanceMm, layers } = face;
  const cellMm = Math.max(widthMm, heightMm) / across;
  const columns = Math.max(1, Math.round(widthMm / cellMm));
  const rows = Math.max(1, Math.round(heightMm / cellMm));
  const values = scattered(face, columns, rows);
  const lamps = withImages(face);
  const d = Math.max(0.1, distanceMm);
  for (const lamp of lamps) {
    const strength = (lamp.flux * (lamp.lobe + 1)) / (2 * Math.PI);
    const power = (lamp.lobe + 3) / 2;
    const lift = strength * d ** (lamp.lobe + 1);
    for (let r = 0; r < rows; r++) {
      const dy = (r + 0.5) * (heightMm / rows) - lamp.yMm;
      const base = dy * dy + d * d;
      for (let c = 0; c < columns; c++) {
        const dx = (c + 0.5) * (widthMm / columns) - lamp.xMm;
        const square = base + dx * dx;
        // The commonest lobe without the slow general power.
        values[r * columns + c]! += lift / (power === 2 ? square * square : square ** power);
      }
    }
  }
  const transmission = layers.reduce((share, l) => share * l.transmission, 1);
  const spreadMm = Math.sqrt(layers.reduce((sum, l) => sum + l.spreadMm ** 2, 0));
  for (const [count, lines, step, next, sizeMm] of [
    [columns, rows, 1, columns, widthMm / columns],
    [rows, columns, columns, 1, heightMm / rows],
  ] as const) {
    const sigma = spreadMm / sizeMm;
    if (sigma < 0.3 || count < 2) continue;
    const kernel = kernelOf(sigma);
    const row = new Float64Array(count);
    for (let i = 0; i < lines; i++) spreadRow(values, i * next, step, count, kernel, row);
  }
  let [least, most, sum] = [Infinity, 0, 0];
  for (let i = 0; i < values.length; i++) {
    values[i]! *= transmission;
    least = Math.min(least, values[i]!);
    most = Math.max(most, values[i]!);
    sum += values[i]!;
  }
  const mean = sum / values.length;
  const given = face.sources.reduce((s, l) => s + l.flux, 0);
  return {
    columns,
    rows,
    cellMm,
    values,
    evenness: mean > 0 ? least / mean : 0,
    hotSpot: mean > 0 ? most / mean : 0,
    passed: given > 0 ? Math.min(1, (sum * (widthMm / columns) * (heightMm / rows)) / given) : 0,
  };
}

/** The least distance, to half a millimetre, at which a face is as even as wanted; nothing when none up to the most is. */
export function leastDistanceMm(face: LitFace, wanted: number, mostMm: number): number | undefined {
  const even = (distanceMm: number): boolean => litFace({ ...face, distanceMm }, 48).evenness >= wanted;
  if (!even(mostMm)) return undefined;
  let [low, high] = [0.5, mostMm];
  if (even(low)) return low;
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (even(middle)) high = middle;
    else low = middle;
  }
  return Math.ceil(high * 2) / 2;
}
