import { itemAt, lastOf, firstOf } from '../../units';
import type { Vec2, Vec3 } from '../../geometry';
import type { Habits } from '../../materials';
import type { Attachment, Join, Panel, Side } from '../../panel';

/** A wall that goes round a ring, folded at its corners and bent where it is round, its inner face on the ring. */
export interface FoldedWall {
  id: string;
  name: string;
  /** Counter-clockwise as seen from the end the wall stands up to. */
  ring: readonly Vec2[];
  /** A point of the ring at a height of the wall, 0 at its foot and 1 at its top. */
  toSpace: (p: Vec2, height: number) => Vec3;
  edges: { bottom: string; top: string };
  attached?: Partial<Record<Side, Attachment>>;
  /** No strip is longer than this, mm. */
  longestMm: number;
  foamMm: number;
  /** How its folds are made, where the form says. */
  method?: Habits['fold'];
  ply?: Panel['ply'];
}

/** A wall folds rather than bends where its ring turns by more than this; less where it turns so all along a round, degrees. */
const TURN_DEG = 12;
const ROUND_DEG = 30;
/** No fold goes round a sharper corner than this: two lengths are glued there, degrees. */
const SHARP_DEG = 130;
/** Points along a run are no further apart than this, mm. */
const STEP_MM = 40;
/** A run is parted in its middle when either half is longer than this, mm. */
const LEAST_MM = 4;

/** How far a ring turns at one of its points, degrees, either way. */
function turnAt(ring: readonly Vec2[], i: number): number {
  const n = ring.length;
  const [a, p, b] = [-1, 0, 1].map((k) => itemAt(ring, (i + k + n) % n)) as [Vec2, Vec2, Vec2];
  const turn = Math.atan2(
    (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
    (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
  );
  return (Math.abs(turn) * 180) / Math.PI;
}

/** A corner rather than a step of a round that is drawn in short lines: those turn alike one after another. */
function isCorner(ring: readonly Vec2[], i: number): boolean {
  const turn = turnAt(ring, i);
  if (turn <= TURN_DEG || turn > ROUND_DEG) return turn > TURN_DEG;
  return [i - 1, i + 1].every((k) => turnAt(ring, (k + ring.length) % ring.length) < turn / 2);
}

/** A corner no fold goes round, be it cut off with a short flat. */
function isSharp(ring: readonly Vec2[], i: number, foamMm: number): boolean {
  const [p, next] = [itemAt(ring, i), itemAt(ring, (i + 1) % ring.length)];
  const blunt = Math.hypot(next.x - p.x, next.y - p.y) < 2 * foamMm ? turnAt(ring, (i + 1) % ring.length) : 0;
  return turnAt(ring, i) + blunt > SHARP_DEG;
}

const gap = (a: Vec2, b: Vec2): number => Math.hypot(b.x - a.x, b.y - a.y);
const lengthOf = (run: readonly Vec2[]): number =>
  run.slice(1).reduce((sum, p, i) => sum + gap(itemAt(run, i), p), 0);

/** A run with points no further apart than a step, its own kept. */
const dense = (run: readonly Vec2[]): Vec2[] => [
  ...run.slice(1).flatMap((q, i) => {
    const p = itemAt(run, i);
    const n = Math.max(1, Math.ceil(gap(p, q) / STEP_MM));
    return Array.from({ length: n }, (_, k) => ({
      x: p.x + ((q.x - p.x) * k) / n,
      y: p.y + ((q.y - p.y) * k) / n,
    }));
  }),
  lastOf(run),
];

/** A run parted at a length along it. */
function splitAt(run: readonly Vec2[], mm: number): [Vec2[], Vec2[]] {
  let left = mm;
  for (let i = 1; i < run.length; i++) {
    const [a, b] = [itemAt(run, i - 1), itemAt(run, i)];
    const step = gap(a, b);
    if (left <= step) {
      const t = step === 0 ? 0 : left / step;
      const cut = { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
      return [
        [...run.slice(0, i), cut],
        [cut, ...run.slice(i)],
      ];
    }
    left -= step;
  }
  return [[...run], [lastOf(run)]];
}

/** A flat or a round of the wall, and how it goes on to the next one. */
interface Length {
  run: Vec2[];
  next: 'fold' | 'seam';
}

/** Runs from corner to corner in order, begun in the middle of the longest, so that no seam lies in a corner. */
function runsOf(ring: readonly Vec2[], foamMm: number): Length[] {
  const corners = ring.flatMap((_, i) => (isCorner(ring, i) ? [i] : []));
  if (corners.length === 0) return [{ run: [...ring, firstOf(ring)], next: 'seam' }];
  const runs = corners.map((from, i): Length => {
    const to = itemAt(corners, (i + 1) % corners.length);
    const steps = (to - from + ring.length - 1) % ring.length;
    return {
      run: Array.from({ length: steps + 2 }, (_, k) => itemAt(ring, (from + k) % ring.length)),
      next: isSharp(ring, to, foamMm) ? 'seam' : 'fold',
    };
  });
  const longest = runs.reduce(
    (best, r, i) => (lengthOf(r.run) > lengthOf(itemAt(runs, best).run) ? i : best),
    0,
  );
  const ordered = [...runs.slice(longest), ...runs.slice(0, longest)];
  const [first, ...others] = ordered as [Length, ...Length[]];
  const whole = lengthOf(first.run);
  if (whole < 2 * LEAST_MM) return ordered;
  const [end, start] = splitAt(first.run, whole / 2);
  return [{ run: start, next: first.next }, ...others, { run: end, next: 'seam' }];
}

/** Lengths gathered so that none strip is too long for its sheet: seams are put in the middle of flats. */
function shortened(runs: readonly Length[], longestMm: number): Length[] {
  let strip = 0;
  const made: Length[] = [];
  const queue = [...runs];
  while (queue.length > 0) {
    const { run, next } = queue.shift()!;
    const mm = lengthOf(run);
    if (strip + mm <= longestMm) {
      made.push({ run, next });
      strip = next === 'seam' ? 0 : strip + mm;
      continue;
    }
    const room = longestMm - strip;
    const at = room >= mm / 2 ? mm / 2 : room;
    if (at < LEAST_MM || mm - at < LEAST_MM) {
      // No room on this strip: it ends at the corner before.
      itemAt(made, made.length - 1).next = 'seam';
      strip = 0;
      queue.unshift({ run, next });
      continue;
    }
    const [here, there] = splitAt(run, at);
    made.push({ run: here, next: 'seam' });
    strip = 0;
    queue.unshift({ run: there, next });
  }
  return made;
}

/** The flats and rounds of a wall as panels, folded or glued to each other all the way round. */
export function foldedWall(wall: FoldedWall): { panels: Panel[]; joins: Join[]; folds: number } {
  const lengths = shortened(runsOf(wall.ring, wall.foamMm), wall.longestMm);
  const strips = lengths.filter((l) => l.next === 'seam').length;
  let strip = 1;
  const panels = lengths.map(({ run, next }, i): Panel => {
    const name = strips > 1 ? `${wall.name}, length ${strip}` : wall.name;
    if (next === 'seam') strip += 1;
    const points = dense(run);
    return {
      id: lengths.length === 1 ? wall.id : `${wall.id}-${i + 1}`,
      name: lengths.length === 1 ? name : `${name}, side ${i + 1}`,
      net: name,
      grid: [0, 0.5, 1].map((v) => points.map((p) => wall.toSpace(p, v))),
      edges: { ...wall.edges, right: 'seam', left: 'seam' },
      ...(wall.attached && { attached: wall.attached }),
      ...(wall.ply && { ply: wall.ply }),
    };
  });
  const joins = lengths.map(({ next }, i): Join => ({
    a: [itemAt(panels, i).id, 'right'],
    b: [itemAt(panels, (i + 1) % panels.length).id, 'left'],
    kind: next,
    ...(next === 'fold' && wall.method && { method: wall.method }),
  }));
  return { panels, joins, folds: joins.filter((j) => j.kind === 'fold').length };
}
