import { firstOf, lastOf, itemAt } from '../units';
import { grown, type Vec2 } from '../geometry';
import { followed, thinnedMask } from './skeleton';

/** Marks are looked for so far inside an outline, mm: its edge is blurred. */
const INSIDE_MM = 2.5;
/** A pen is told from paper by so much of 255, and covers no more than this share of a piece. */
const LEAST_GREY = 14;
const MOST_SHARE = 0.15;
/** How dark a stroke is beside the darkest of them, to be one: its sides are blurred. */
const SHARE = 0.4;
/** Shorter lines are specks; ends that come this near to each other are one line; mm. */
const LEAST_MM = 10;
const JOINS_MM = 4;
const MOST = 40;
const MOST_POINTS = 24;

/** Pixels inside rings (even-odd), by scan lines through their middles. */
function filled(rings: readonly (readonly Vec2[])[], width: number, height: number): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (let row = 0; row < height; row++) {
    const y = row + 0.5;
    const xs = rings
      .flatMap((ring) =>
        ring.flatMap((p, i) => {
          const q = itemAt(ring, (i + 1) % ring.length);
          return p.y <= y !== q.y <= y ? [p.x + ((q.x - p.x) * (y - p.y)) / (q.y - p.y)] : [];
        }),
      )
      .sort((a, b) => a - b);
    for (let k = 0; k + 1 < xs.length; k += 2)
      for (
        let x = Math.max(0, Math.ceil(itemAt(xs, k) - 0.5));
        x < Math.min(width, itemAt(xs, k + 1) - 0.5);
        x++
      )
        mask[row * width + x] = 1;
  }
  return mask;
}

const lengthOf = (line: readonly Vec2[]): number =>
  line.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - itemAt(line, i).x, p.y - itemAt(line, i).y), 0);

/** Lines whose ends nearly meet made one, the nearest first. */
function joinedUp(lines: readonly Vec2[][], withinPx: number): Vec2[][] {
  const all = lines.map((l) => [...l]);
  for (;;) {
    let best: { i: number; j: number; off: number; turnI: boolean; turnJ: boolean } | undefined;
    for (let i = 0; i < all.length; i++)
      for (let j = i + 1; j < all.length; j++)
        for (const turnI of [false, true])
          for (const turnJ of [false, true]) {
            const a = turnI ? firstOf(itemAt(all, i)) : lastOf(itemAt(all, i));
            const b = turnJ ? lastOf(itemAt(all, j)) : firstOf(itemAt(all, j));
            const off = Math.hypot(a.x - b.x, a.y - b.y);
            if (off <= withinPx && (!best || off < best.off)) best = { i, j, off, turnI, turnJ };
          }
    if (!best) return all;
    const { i, j, turnI, turnJ } = best;
    const one = turnI ? [...itemAt(all, i)].reverse() : itemAt(all, i);
    const other = turnJ ? [...itemAt(all, j)].reverse() : itemAt(all, j);
    all[i] = [...one, ...other];
    all.splice(j, 1);
  }
}

/** An open line in as few of its points as keep it within a distance (Douglas and Peucker, 1973). */
export function straightened(line: readonly Vec2[], within: number): Vec2[] {
  const [a, b] = [firstOf(line), lastOf(line)];
  const size = Math.hypot(b.x - a.x, b.y - a.y);
  let [worst, at] = [within, -1];
  line.forEach((p, i) => {
    const off =
      size < 1e-9
        ? Math.hypot(p.x - a.x, p.y - a.y)
        : Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / size;
    if (off > worst) [worst, at] = [off, i];
  });
  return at < 0
    ? [a, b]
    : [...straightened(line.slice(0, at + 1), within).slice(0, -1), ...straightened(line.slice(at), within)];
}

/**
 * Lines drawn on a piece: what differs from the piece's own brightness is thinned to lines of a pixel and followed.
 * @param ring outline in pixels, @param grey brightness, @param mm of a pixel.
 * @returns lines in pixels, the longest first.
 */
export function marksIn(
  ring: readonly Vec2[],
  grey: Float64Array,
  width: number,
  mm: number,
  withinMm: number,
): Vec2[][] {
  const inner = grown([[...ring]], -INSIDE_MM / mm);
  const xs = inner.flat().map((p) => p.x);
  const ys = inner.flat().map((p) => p.y);
  if (xs.length < 3) return [];
  const [left, top] = [Math.max(0, Math.floor(Math.min(...xs))), Math.max(0, Math.floor(Math.min(...ys)))];
  const [w, h] = [
    Math.min(width, Math.ceil(Math.max(...xs))) - left,
    Math.min(grey.length / width, Math.ceil(Math.max(...ys))) - top,
  ];
  if (w < 3 || h < 3) return [];
  const inside = filled(
    inner.map((r) => r.map((p) => ({ x: p.x - left, y: p.y - top }))),
    w,
    h,
  );
  const at = (i: number): number => itemAt(grey, (top + Math.floor(i / w)) * width + left + (i % w));
  const values = [...inside.keys()].filter((i) => inside[i] === 1 && !Number.isNaN(at(i))).map(at);
  if (values.length < 100) return [];
  const sorted = Float64Array.from(values).sort();
  const own = itemAt(sorted, sorted.length >> 1);
  // The darkest or palest of it, a few stray pixels aside, is the pen.
  const [dark, pale] = [
    own - itemAt(sorted, Math.floor(sorted.length * 0.0005)),
    itemAt(sorted, Math.floor(sorted.length * 0.9995)) - own,
  ];
  const sign = dark >= pale ? -1 : 1;
  const level = Math.max(LEAST_GREY, SHARE * Math.max(dark, pale));
  const taken = inside.map((v, i) => (v === 1 && sign * (at(i) - own) > level ? 1 : 0));
  const count = taken.reduce((a, b) => a + b, 0);
  if (count === 0 || count > MOST_SHARE * values.length) return [];
  const lines = followed(thinnedMask({ taken, width: w, height: h })).map((line) =>
    line.map(([x, y]): Vec2 => ({ x: x + left + 0.5, y: y + top + 0.5 })),
  );
  return joinedUp(
    lines.filter((l) => l.length > 2),
    JOINS_MM / mm,
  )
    .filter((l) => lengthOf(l) * mm >= LEAST_MM)
    .sort((a, b) => lengthOf(b) - lengthOf(a))
    .slice(0, MOST)
    .map((line) => {
      for (let within = withinMm / mm; ; within *= 1.5) {
        const few = straightened(line, within);
        if (few.length <= MOST_POINTS) return few;
      }
    });
}
