import { firstOf, itemAt } from '../units';
/** Pixels that are taken or not, row by row. */
export interface Mask {
  taken: Uint8Array;
  width: number;
  height: number;
}

/** The eight beside a pixel, clockwise from the one above. */
const AROUND = [
  [0, -1],
  [1, -1],
  [1, 0],
  [1, 1],
  [0, 1],
  [-1, 1],
  [-1, 0],
  [-1, -1],
] as const;

const beside = ({ taken, width, height }: Mask, i: number): number[] => {
  const [x, y] = [i % width, Math.floor(i / width)];
  return AROUND.map(([dx, dy]) => {
    const [px, py] = [x + dx, y + dy];
    return px < 0 || py < 0 || px >= width || py >= height ? 0 : itemAt(taken, py * width + px);
  });
};

/** Whether a pixel goes in one of the two passes of a round. */
function goes(near: readonly number[], second: boolean): boolean {
  const count = near.reduce((a, b) => a + b, 0);
  if (count < 2 || count > 6) return false;
  const turns = near.filter((v, k) => v === 0 && near[(k + 1) % 8] === 1).length;
  if (turns !== 1) return false;
  const [up, , right, , down, , left] = near as [number, number, number, number, number, number, number];
  return second
    ? up * right * left === 0 && up * down * left === 0
    : up * right * down === 0 && right * down * left === 0;
}

/** Strokes thinned to lines of one pixel (Zhang and Suen, A Fast Parallel Algorithm for Thinning Digital Patterns, 1984). */
export function thinnedMask(mask: Mask): Mask {
  const now: Mask = { ...mask, taken: mask.taken.slice() };
  for (let changed = true; changed;) {
    changed = false;
    for (const second of [false, true]) {
      const gone: number[] = [];
      now.taken.forEach((v, i) => {
        if (v === 1 && goes(beside(now, i), second)) gone.push(i);
      });
      for (const i of gone) now.taken[i] = 0;
      changed ||= gone.length > 0;
    }
  }
  return now;
}

type Pixel = readonly [x: number, y: number];

/** Lines of one pixel followed from end to end and from fork to fork, and round where they close. */
export function followed(mask: Mask): Pixel[][] {
  const { taken, width } = mask;
  const at = (i: number): Pixel => [i % width, Math.floor(i / width)];
  const near = (i: number): number[] =>
    beside(mask, i).flatMap((v, k) =>
      v === 0 ? [] : [i + itemAt(AROUND, k)[0] + itemAt(AROUND, k)[1] * width],
    );
  // A corner pixel beside two that touch each other is no fork: only steps to the side count where there are any.
  const onward = (i: number): number[] => {
    const all = near(i);
    const straight = all.filter((j) => Math.abs(j - i) === 1 || Math.abs(j - i) === width);
    return all.filter((j) => straight.includes(j) || !straight.some((s) => near(s).includes(j)));
  };
  const walked = new Set<string>();
  const stepped = (a: number, b: number): string => (a < b ? `${a}/${b}` : `${b}/${a}`);
  const lines: Pixel[][] = [];
  const walk = (from: number, to: number): void => {
    const line = [from, to];
    walked.add(stepped(from, to));
    for (let [before, here] = [from, to]; ;) {
      const ways = onward(here);
      if (ways.length !== 2) break;
      const next = ways[0] === before ? itemAt(ways, 1) : firstOf(ways);
      if (walked.has(stepped(here, next))) break;
      walked.add(stepped(here, next));
      line.push(next);
      [before, here] = [here, next];
    }
    lines.push(line.map(at));
  };
  const pixels = [...taken.keys()].filter((i) => taken[i] === 1);
  for (const ends of [true, false])
    for (const i of pixels) {
      const ways = onward(i);
      if (ends && ways.length === 2) continue;
      for (const to of ways) if (!walked.has(stepped(i, to))) walk(i, to);
    }
  return lines;
}
