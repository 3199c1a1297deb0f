import { firstOf, getFrom, itemAt } from '../units';
import { contours } from 'd3-contour';
import { boundsOf, contains, distanceToEdge, signedArea, thinned, type Vec2 } from '../geometry';
import { withSharpCorners } from './corners';
import { marksIn } from './drawnMarks';
import { seenThrough } from './homography';
import { type Picture, type Spot, spotAt } from './picture';
import type { Laid } from './scale';
import type { Pixels, SquaredPicture } from './squared';

/** An outline that was found on a picture: counter-clockwise, mm from the picture's middle, y up. */
export interface Traced {
  outline: Vec2[];
  widthMm: number;
  heightMm: number;
  areaMm2: number;
  /** Lines drawn inside it. */
  marks: Vec2[][];
}

/** Smaller than this is dirt, mm²; more outlines than these are not told. */
const LEAST_MM2 = 400;
const MOST = 40;
const MOST_POINTS = 2000;
/** Steps that the ground's brightness is read in across the picture. */
const TILES = 12;

/** Brightness of every pixel with cover, smoothed over its neighbours against noise; the rest is NaN. */
function smoothGrey({ data, width, height }: Pixels): Float64Array {
  const grey = new Float64Array(width * height);
  for (let i = 0; i < grey.length; i++)
    grey[i] =
      itemAt(data, i * 4 + 3) < 250
        ? NaN
        : 0.2126 * itemAt(data, i * 4) + 0.7152 * itemAt(data, i * 4 + 1) + 0.0722 * itemAt(data, i * 4 + 2);
  const smooth = (from: Float64Array, step: number, count: (i: number) => boolean): Float64Array =>
    from.map((v, i) => {
      if (!count(i)) return v;
      const [a, b] = [itemAt(from, i - step), itemAt(from, i + step)];
      return Number.isNaN(a) || Number.isNaN(b) ? v : (a + 2 * v + b) / 4;
    });
  const across = smooth(grey, 1, (i) => i % width > 0 && i % width < width - 1);
  return smooth(across, width, (i) => i >= width && i < (height - 1) * width);
}

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? NaN;

/**
 * What the ground would be everywhere: a plane through the commonest brightness along the picture's border, since a
 * lamp at one side makes a table paler there (least squares on medians of tiles).
 */
function groundOf(grey: Float64Array, width: number, height: number): (x: number, y: number) => number {
  const seen: { x: number; y: number; v: number }[] = [];
  for (let ty = 0; ty < TILES; ty++)
    for (let tx = 0; tx < TILES; tx++) {
      if (tx > 0 && tx < TILES - 1 && ty > 0 && ty < TILES - 1) continue;
      const values: number[] = [];
      for (let y = Math.floor((ty * height) / TILES); y < ((ty + 1) * height) / TILES; y += 2)
        for (let x = Math.floor((tx * width) / TILES); x < ((tx + 1) * width) / TILES; x += 2) {
          const v = itemAt(grey, y * width + x);
          if (!Number.isNaN(v)) values.push(v);
        }
      if (values.length > 20) seen.push({ x: (tx + 0.5) / TILES, y: (ty + 0.5) / TILES, v: median(values) });
    }
  let used = seen;
  let plane: [number, number, number] = [median(seen.map((s) => s.v)), 0, 0];
  // Tiles that something lies over are far off, and left out the second time.
  for (let round = 0; round < 3; round++) {
    plane = planeThrough(used) ?? plane;
    const off = (s: (typeof seen)[number]): number =>
      Math.abs(s.v - plane[0] - plane[1] * s.x - plane[2] * s.y);
    const usual = median(seen.map(off));
    used = seen.filter((s) => off(s) <= Math.max(4, 2.5 * usual));
  }
  return (x, y) => plane[0] + (plane[1] * (x + 0.5)) / width + (plane[2] * (y + 0.5)) / height;
}

/** v = a + b x + c y, by least squares; undefined for too few. */
function planeThrough(
  seen: readonly { x: number; y: number; v: number }[],
): [number, number, number] | undefined {
  const n = seen.length;
  if (n < 6) return undefined;
  const mean = (of: (s: (typeof seen)[number]) => number): number =>
    seen.reduce((sum, s) => sum + of(s), 0) / n;
  const [mx, my, mv] = [mean((s) => s.x), mean((s) => s.y), mean((s) => s.v)];
  const cov = (a: (s: (typeof seen)[number]) => number, b: typeof a): number => mean((s) => a(s) * b(s));
  const [x, y, v] = [
    (s: (typeof seen)[number]) => s.x - mx,
    (s: (typeof seen)[number]) => s.y - my,
    (s: (typeof seen)[number]) => s.v - mv,
  ] as const;
  const [xx, xy, yy, xv, yv] = [cov(x, x), cov(x, y), cov(y, y), cov(x, v), cov(y, v)];
  const det = xx * yy - xy * xy;
  if (Math.abs(det) < 1e-9) return undefined;
  const b = (xv * yy - yv * xy) / det;
  const c = (yv * xx - xv * xy) / det;
  return [mv - b * mx - c * my, b, c];
}

/** The threshold that parts values best into two classes (Otsu, 1979). */
export function otsu(values: Float64Array, most: number): number {
  const bins = 256;
  const counts = new Float64Array(bins);
  for (const v of values)
    if (!Number.isNaN(v)) counts[Math.min(bins - 1, Math.floor((v / most) * bins))]! += 1;
  const total = counts.reduce((a, b) => a + b, 0);
  const sum = counts.reduce((s, c, i) => s + c * i, 0);
  let [below, sumBelow, best, from, to] = [0, 0, -1, 0, 0];
  for (let i = 0; i < bins; i++) {
    below += itemAt(counts, i);
    sumBelow += itemAt(counts, i) * i;
    const above = total - below;
    if (below === 0 || above === 0) continue;
    const between = below * above * (sumBelow / below - (sum - sumBelow) / above) ** 2;
    if (between > best * (1 + 1e-12)) [best, from, to] = [between, i, i];
    else if (between >= best * (1 - 1e-12)) to = i;
  }
  return (((from + to) / 2 + 1) / bins) * most;
}

/** How much of a ring's box the marked sheet must cover to be the sheet. */
const IS_SHEET = 0.8;

/**
 * Outlines of what lies on a plain ground, on a squared-up picture: where brightness leaves the ground's by more than
 * Otsu's threshold, as lines between pixels (marching squares), straightened within a tolerance. The marked sheet is
 * none of them; what reaches over the picture's edge is none either.
 */
export function tracedOn(
  { pixels, leftMm, topMm, widthMm }: SquaredPicture,
  picture: Pick<Picture, 'sheet'>,
  laid: Laid,
  withinMm: number,
): { outlines: Traced[]; sheetBowMm?: number } {
  const { width, height } = pixels;
  const mm = widthMm / width;
  const grey = smoothGrey(pixels);
  const ground = groundOf(grey, width, height);
  const off = grey.map((v, i) =>
    Number.isNaN(v) ? NaN : Math.abs(v - ground(i % width, Math.floor(i / width))),
  );
  const most = off.reduce((m, v) => (v > m ? v : m), 1);
  const threshold = otsu(off, most * 1.001);
  const values = Array.from(off, (v) => (Number.isNaN(v) ? 0 : v));
  const rings = (level: number): Spot[][] =>
    contours()
      .size([width, height])
      .smooth(true)
      .contour(values, level)
      .coordinates.map((polygon) =>
        firstOf(polygon)
          .slice(0, -1)
          .map(([x, y]): Spot => [x!, y!]),
      );
  const toMm = (ring: readonly Spot[]): Vec2[] =>
    ring.map(([x, y]) => ({ x: leftMm + x * mm, y: topMm - y * mm }));
  const atEdge = (ring: readonly Spot[]): boolean =>
    ring.some(([x, y]) => x < 1 || y < 1 || x > width - 1 || y > height - 1);
  const sheet = picture.sheet?.corners.map((c) => seenThrough(laid.toMm, spotAt(c))!);
  const levels = new Map<number, Spot[][]>();
  // The threshold parts ground from things; the edge of one runs half way between the ground and its own brightness.
  const sharp = (ring: readonly Spot[], areaMm2: number): Vec2[] => {
    const level = Math.round(within(ring, values, width) / 2);
    if (!levels.has(level)) levels.set(level, level > 0 ? rings(level) : []);
    const near = getFrom(levels, level)
      .map(toMm)
      .find((r) => Math.abs(Math.abs(signedArea(r)) / areaMm2 - 1) < SAME && sameMiddle(r, toMm(ring)));
    return near ?? toMm(ring);
  };
  const found = rings(threshold);
  const own = found.find((ring) => isSheet(toMm(ring), sheet));
  const outlines = found
    .map((ring) => ({ ring, areaMm2: Math.abs(signedArea(toMm(ring))) }))
    .filter(({ ring, areaMm2 }) => areaMm2 >= LEAST_MM2 && !isSheet(toMm(ring), sheet) && !atEdge(ring))
    .sort((a, b) => b.areaMm2 - a.areaMm2)
    .slice(0, MOST)
    .map(({ ring, areaMm2 }) => {
      const { ring: thin } = thinned(withSharpCorners(sharp(ring, areaMm2), mm), MOST_POINTS, withinMm);
      const outline = signedArea(thin) < 0 ? thin.reverse() : thin;
      const b = boundsOf(outline);
      return {
        outline,
        widthMm: b.maxX - b.minX,
        heightMm: b.maxY - b.minY,
        areaMm2: signedArea(outline),
        marks: marksIn(
          ring.map(([x, y]) => ({ x, y })),
          grey,
          width,
          mm,
          Math.max(mm, withinMm),
        ).map((line) => line.map(({ x, y }) => ({ x: leftMm + x * mm, y: topMm - y * mm }))),
      };
    });
  const bow = own && sheet && bowOf(sharp(own, Math.abs(signedArea(toMm(own)))), sheet);
  return { outlines, ...(bow !== undefined && { sheetBowMm: bow }) };
}

/** Near its corners, which are marked by hand, an edge's bow is not asked; a share of the sheet. */
const CORNER = 0.12;

/** How far the sheet's edges leave the straight lines between its marked corners: paper curls, and wide lenses bend. */
function bowOf(ring: readonly Vec2[], sheet: readonly Vec2[]): number | undefined {
  const near = CORNER * Math.sqrt(Math.abs(signedArea(sheet)));
  const off = ring
    .filter((p) => sheet.every((c) => Math.hypot(p.x - c.x, p.y - c.y) > near))
    .map((p) => distanceToEdge(sheet, p));
  return off.length < 20 ? undefined : Math.max(...off);
}

/** Rings at two levels whose areas differ by less than this share are of one thing. */
const SAME = 0.15;

const sameMiddle = (a: readonly Vec2[], b: readonly Vec2[]): boolean => {
  const [p, q] = [boundsOf(a), boundsOf(b)];
  const near = 0.1 * Math.min(p.maxX - p.minX, p.maxY - p.minY);
  return (
    Math.abs(p.minX + p.maxX - q.minX - q.maxX) < 2 * near &&
    Math.abs(p.minY + p.maxY - q.minY - q.maxY) < 2 * near
  );
};

/** The middle one of the values inside a ring, sampled. */
function within(ring: readonly Spot[], values: readonly number[], width: number): number {
  const points = ring.map(([x, y]) => ({ x, y }));
  const b = boundsOf(points);
  const step = Math.max(1, Math.floor(Math.sqrt(((b.maxX - b.minX) * (b.maxY - b.minY)) / 3000)));
  const seen: number[] = [];
  for (let y = Math.ceil(b.minY); y < b.maxY; y += step)
    for (let x = Math.ceil(b.minX); x < b.maxX; x += step)
      if (contains(points, { x, y })) seen.push(values[y * width + x] ?? 0);
  return median(seen);
}

/** Whether a ring is the sheet that was marked: as large, and about the same middle. */
function isSheet(ring: readonly Vec2[], sheet: readonly Vec2[] | undefined): boolean {
  if (!sheet) return false;
  const [own, marked] = [Math.abs(signedArea(ring)), Math.abs(signedArea(sheet))];
  if (Math.min(own, marked) / Math.max(own, marked) < IS_SHEET) return false;
  const b = boundsOf(sheet);
  const middle = { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  return contains(ring, middle);
}
