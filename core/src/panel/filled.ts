import { itemAt } from '../units';
import { dist2, lerp2, outlineLength, polylineLength, boundsOf, type Vec2 } from '../geometry';

/** Runs of an outline from corner to corner, counter-clockwise from the lower left: below, right, above, left. */
export type FourSides = readonly [Vec2[], Vec2[], Vec2[], Vec2[]];

/** A turn of more than this is a corner of a drawing. */
const SHARP = (20 * Math.PI) / 180;

/** What the line turns by at each of its points; left is positive. */
function turnsOf(ring: readonly Vec2[]): number[] {
  const n = ring.length;
  return ring.map((p, i) => {
    const [a, b] = [itemAt(ring, (i + n - 1) % n), itemAt(ring, (i + 1) % n)];
    const [ux, uy, vx, vy] = [p.x - a.x, p.y - a.y, b.x - p.x, b.y - p.y];
    return Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
  });
}

/** What a corner of the drawing is nearer by than a point of a side, as a share of the box. */
const CORNER_NEARER = 0.15;
/** Corners lie at least so far from one another along the line, as a share of all of it. */
const APART = 0.08;
const PARTINGS = 8;

/** The ring with points on long sides too, so that a corner may be put anywhere. */
const dense = (ring: readonly Vec2[], stepMm: number): Vec2[] =>
  ring.flatMap((p, i) => {
    const q = itemAt(ring, (i + 1) % ring.length);
    const steps = Math.max(1, Math.ceil(dist2(p, q) / stepMm));
    return Array.from({ length: steps }, (_, k) => lerp2(p, q, k / steps));
  });

/**
 * The four sides of any outline that goes round counter-clockwise: its corners are those of the drawing that lie nearest to
 * the corners of its box, or points of a side where there is none.
 */
export function fourSides(outline: readonly Vec2[]): FourSides {
  const whole = outlineLength(outline);
  const ring = dense(outline, whole / 160);
  const n = ring.length;
  const turns = turnsOf(ring);
  const { minX, minY, maxX, maxY } = boundsOf(ring);
  const far = (p: Vec2, x: number, y: number): number =>
    Math.hypot((p.x - x) / Math.max(1e-9, maxX - minX), (p.y - y) / Math.max(1e-9, maxY - minY));
  const nearest = (x: number, y: number): number => {
    const cost = ring.map((p, i) => far(p, x, y) - (itemAt(turns, i) > SHARP ? CORNER_NEARER : 0));
    return cost.indexOf(Math.min(...cost));
  };
  const start = nearest(minX, minY);
  /** How far round each is from the first. */
  const at = [
    0,
    ...[nearest(maxX, minY), nearest(maxX, maxY), nearest(minX, maxY)].map((i) => (i - start + n) % n),
  ];
  const least = 2 * Math.ceil((APART * n) / 2);
  // Those that fall together part to either side alike.
  for (let again = 0; again < PARTINGS; again++)
    for (let i = 0; i < 4; i++) {
      const next = (i + 1) % 4;
      const short = least - (itemAt(at, next) + (next === 0 ? n : 0) - itemAt(at, i));
      if (short <= 0) continue;
      at[i] = itemAt(at, i) - Math.floor(short / 2);
      at[next] = itemAt(at, next) + Math.ceil(short / 2);
    }
  const run = (from: number, to: number): Vec2[] =>
    Array.from({ length: to - from + 1 }, (_, k) => itemAt(ring, (start + from + k + n) % n));
  const [a, b, c, d] = at as [number, number, number, number];
  return [run(a, b), run(b, c), run(c, d), run(d, n + a)];
}

/** A run in so many steps: its sharp corners are kept, and between them it is stepped evenly. */
function stepped(run: readonly Vec2[], steps: number): Vec2[] {
  const turns = turnsOf(run);
  const kept = run.flatMap((_, i) =>
    i > 0 && i < run.length - 1 && Math.abs(itemAt(turns, i)) > SHARP ? [i] : [],
  );
  const marks = [0, ...kept.slice(0, Math.max(0, steps - 1)), run.length - 1];
  const whole = polylineLength(run);
  const points: Vec2[] = [];
  let left = steps;
  let leftMm = whole;
  for (let i = 1; i < marks.length; i++) {
    const part = run.slice(itemAt(marks, i - 1), itemAt(marks, i) + 1);
    const mm = polylineLength(part);
    const after = marks.length - 1 - i;
    const own = after === 0 ? left : Math.min(left - after, Math.max(1, Math.round((left * mm) / leftMm)));
    for (let k = 0; k < own; k++) points.push(along(part, (mm * k) / own));
    left -= own;
    leftMm -= mm;
  }
  return [...points, itemAt(run, run.length - 1)];
}

function along(run: readonly Vec2[], mm: number): Vec2 {
  let gone = 0;
  for (let i = 1; i < run.length; i++) {
    const [p, q] = [itemAt(run, i - 1), itemAt(run, i)];
    const step = dist2(p, q);
    if (gone + step >= mm) return lerp2(p, q, step === 0 ? 0 : (mm - gone) / step);
    gone += step;
  }
  return itemAt(run, run.length - 1);
}

/** The sides blended (Coons, 1967). */
function blended(
  foot: readonly Vec2[],
  east: readonly Vec2[],
  head: readonly Vec2[],
  west: readonly Vec2[],
): Vec2[][] {
  const [columns, rows] = [foot.length - 1, east.length - 1];
  return Array.from({ length: rows + 1 }, (_, r) =>
    Array.from({ length: columns + 1 }, (_, c): Vec2 => {
      const [u, v] = [c / columns, r / rows];
      const mix = (key: 'x' | 'y'): number =>
        (1 - v) * itemAt(foot, c)[key] +
        v * itemAt(head, c)[key] +
        (1 - u) * itemAt(west, r)[key] +
        u * itemAt(east, r)[key] -
        (1 - u) * (1 - v) * itemAt(foot, 0)[key] -
        u * (1 - v) * itemAt(foot, columns)[key] -
        (1 - u) * v * itemAt(head, 0)[key] -
        u * v * itemAt(head, columns)[key];
      return { x: mix('x'), y: mix('y') };
    }),
  );
}

/** Steps of a run, each in so many. */
const finer = (run: readonly Vec2[], times: number): Vec2[] => [
  ...run
    .slice(1)
    .flatMap((q, i) => Array.from({ length: times }, (_, k) => lerp2(itemAt(run, i), q, k / times))),
  itemAt(run, run.length - 1),
];

/** A grid that is to be evened out is worked out so many times as fine, in so many rounds, each going further than its neighbours say. */
const FINER = 4;
const ROUNDS = 300;
const FURTHER = 1.6;

/**
 * A grid of so many steps across and up that fills four sides: they are blended, and where that folds, as in a hollow
 * outline, evened out until the steps are harmonic functions of the plane (Winslow, 1966), which never fold.
 */
export function filledGrid([below, right, above, left]: FourSides, columns: number, rows: number): Vec2[][] {
  const rim = [
    stepped(below, columns),
    stepped(right, rows),
    stepped(above, columns).reverse(),
    stepped(left, rows).reverse(),
  ] as const;
  const plain = blended(...rim);
  if (!folds(plain)) return plain;
  const [foot, east, head, west] = rim;
  const fine = evened(
    blended(finer(foot, FINER), finer(east, FINER), finer(head, FINER), finer(west, FINER)),
  );
  return unfolded(plain.map((row, r) => row.map((_, c) => fine[r * FINER]![c * FINER]!)));
}

/** A grid whose inner points lie where the steps are harmonic, its rim kept. */
function evened(grid: readonly Vec2[][]): Vec2[][] {
  const [across, up] = [itemAt(grid, 0).length, grid.length];
  const x = Float64Array.from(grid.flat(), (p) => p.x);
  const y = Float64Array.from(grid.flat(), (p) => p.y);
  for (let round = 0; round < ROUNDS; round++)
    for (let r = 1; r < up - 1; r++)
      for (let c = 1; c < across - 1; c++) {
        const i = r * across + c;
        const [e, w, n, s] = [i + 1, i - 1, i + across, i - across];
        const [ux, uy] = [(x[e]! - x[w]!) / 2, (y[e]! - y[w]!) / 2];
        const [vx, vy] = [(x[n]! - x[s]!) / 2, (y[n]! - y[s]!) / 2];
        const alpha = vx * vx + vy * vy;
        const beta = ux * vx + uy * vy;
        const gamma = ux * ux + uy * uy;
        if (alpha + gamma < 1e-12) continue;
        for (const k of [x, y]) {
          const cross = k[n + 1]! - k[n - 1]! - k[s + 1]! + k[s - 1]!;
          const to =
            (alpha * (k[e]! + k[w]!) + gamma * (k[n]! + k[s]!) - (beta / 2) * cross) / (2 * (alpha + gamma));
          k[i]! += FURTHER * (to - k[i]!);
        }
      }
  return grid.map((row, r) => row.map((_, c) => ({ x: x[r * across + c]!, y: y[r * across + c]! })));
}

type Corner = readonly [r: number, c: number];

/** The two triangles a cell is drawn in. */
const halvesOf = (r: number, c: number): [Corner, Corner, Corner][] => {
  const [a, b, d, e]: Corner[] = [
    [r, c],
    [r, c + 1],
    [r + 1, c],
    [r + 1, c + 1],
  ];
  return (r + c) % 2 === 0
    ? [
        [a!, b!, e!],
        [a!, e!, d!],
      ]
    : [
        [a!, b!, d!],
        [b!, e!, d!],
      ];
};

function leastOf(grid: readonly Vec2[][], cells: readonly Corner[]): number {
  let least = Infinity;
  for (const [r, c] of cells)
    for (const [[ar, ac], [br, bc], [dr, dc]] of halvesOf(r, c)) {
      const [p, q, t] = [grid[ar]![ac]!, grid[br]![bc]!, grid[dr]![dc]!];
      least = Math.min(least, (q.x - p.x) * (t.y - p.y) - (q.y - p.y) * (t.x - p.x));
    }
  return least;
}

const cellsOf = (grid: readonly Vec2[][]): Corner[] =>
  grid.slice(1).flatMap((row, r) => row.slice(1).map((_, c): Corner => [r, c]));

/** Whether any triangle of a flat grid is turned over. */
export const folds = (grid: readonly Vec2[][]): boolean => leastOf(grid, cellsOf(grid)) <= 0;

const TURNS = 12;
const TRIES = 40;

/** A grid with inner points beside a hollow corner of its rim moved until no triangle there is turned over, where that can be. */
function unfolded(grid: Vec2[][]): Vec2[][] {
  const [rows, columns] = [grid.length - 1, itemAt(grid, 0).length - 1];
  for (let again = 0; again < TRIES && folds(grid); again++)
    for (let r = 1; r < rows; r++)
      for (let c = 1; c < columns; c++) {
        const about: Corner[] = [
          [r - 1, c - 1],
          [r - 1, c],
          [r, c - 1],
          [r, c],
        ];
        let least = leastOf(grid, about);
        if (least > 0) continue;
        let at = grid[r]![c]!;
        for (let step = dist2(at, grid[r]![c + 1]!); step > 0.05; step /= 2)
          for (let turn = 0; turn < TURNS; turn++) {
            const way = (2 * Math.PI * turn) / TURNS;
            const to = { x: at.x + step * Math.cos(way), y: at.y + step * Math.sin(way) };
            grid[r]![c] = to;
            const now = leastOf(grid, about);
            if (now > least) [least, at] = [now, to];
          }
        grid[r]![c] = at;
      }
  return grid;
}
