import { itemAt, getFrom } from '../../units';
import { dive } from './diving';
import type { Pattern } from './knapsack';
import { relaxed } from './linear';

/** Lengths in the sticks they are cut from; the fewest there can be when it is proved. */
export interface StickPlan {
  /** For each stick, the indices of the cuts it gives. */
  sticks: number[][];
  /** No plan takes fewer. */
  bound: number;
  proved: boolean;
  /** Indices of cuts longer than a stick. */
  tooLong: number[];
}

/** Lengths are counted in tenths of a millimetre. */
const UNIT = 10;
/** How many placings the search for a better plan may try. */
const MOST_NODES = 100_000;

/** Longest first, each into the fullest stick that still has room. */
function bestFit(sizes: readonly number[], order: readonly number[], room: number): number[][] {
  const sticks: { left: number; cuts: number[] }[] = [];
  for (const i of order) {
    const size = itemAt(sizes, i);
    let best: (typeof sticks)[number] | undefined;
    for (const s of sticks) if (s.left >= size && (!best || s.left < best.left)) best = s;
    if (best) {
      best.left -= size;
      best.cuts.push(i);
    } else sticks.push({ left: room - size, cuts: [i] });
  }
  return sticks.map((s) => s.cuts);
}

/** Searches for a plan of so many sticks: longest first, never twice into sticks with as much room; none when it gives up. */
function search(
  sizes: readonly number[],
  order: readonly number[],
  room: number,
  most: number,
): number[][] | undefined {
  const left = Array.from({ length: most }, () => room);
  const cuts: number[][] = left.map(() => []);
  let nodes = 0;
  let spare = most * room - order.reduce((sum, i) => sum + itemAt(sizes, i), 0);
  if (spare < 0) return undefined;
  const least = Math.min(...order.map((i) => itemAt(sizes, i)));
  const place = (k: number): boolean => {
    if (k === order.length) return true;
    if (++nodes > MOST_NODES) return false;
    const size = itemAt(sizes, itemAt(order, k));
    const tried = new Set<number>();
    const sticks = left.map((_, s) => s).sort((a, b) => itemAt(left, a) - itemAt(left, b));
    for (const s of sticks) {
      const before = itemAt(left, s);
      if (before < size || tried.has(before)) continue;
      tried.add(before);
      // What is left of a stick and too short for anything is lost; no more may be lost than is spare.
      const after = before - size;
      const lost = after < least ? after : 0;
      if (lost > spare) continue;
      left[s] = after;
      spare -= lost;
      itemAt(cuts, s).push(itemAt(order, k));
      if (place(k + 1)) return true;
      itemAt(cuts, s).pop();
      spare += lost;
      left[s] = before;
      if (nodes > MOST_NODES) return false;
    }
    return false;
  };
  return place(0) ? cuts : undefined;
}

/** A whole plan near a relaxed one: its patterns rounded down, those nearest to whole rounded up, the rest by best fit. */
function rounded(
  sizes: readonly number[],
  kinds: readonly number[],
  patterns: readonly number[][],
  use: readonly number[],
  room: number,
  up: number,
): number[][] {
  const waiting = new Map(kinds.map((size) => [size, sizes.flatMap((s, i) => (s === size ? [i] : []))]));
  const sticks: number[][] = [];
  const cut = (pattern: readonly number[]): void => {
    const cuts = pattern.flatMap((n, k) => getFrom(waiting, itemAt(kinds, k)).splice(0, n));
    if (cuts.length > 0) sticks.push(cuts);
  };
  const order = use.map((_, i) => i).sort((a, b) => (itemAt(use, b) % 1) - (itemAt(use, a) % 1));
  order.forEach((i, k) => {
    const times = Math.floor(itemAt(use, i) + 1e-6) + (k < up ? 1 : 0);
    for (let n = 0; n < times; n++) cut(itemAt(patterns, i));
  });
  const rest = [...waiting.values()].flat().sort((a, b) => itemAt(sizes, b) - itemAt(sizes, a));
  // Into the room that is left first, then into new sticks.
  const open = sticks.map((cuts) => ({
    cuts,
    left: room - cuts.reduce((sum, i) => sum + itemAt(sizes, i), 0),
  }));
  const over: number[] = [];
  for (const i of rest) {
    const fits = open.filter((s) => s.left >= itemAt(sizes, i)).sort((a, b) => a.left - b.left)[0];
    if (fits) {
      fits.cuts.push(i);
      fits.left -= itemAt(sizes, i);
    } else over.push(i);
  }
  return [...sticks, ...bestFit(sizes, over, room)];
}

const commonMeasure = (a: number, b: number): number => (b === 0 ? a : commonMeasure(b, a % b));

/** Which cuts each pattern gives. */
function cutBy(
  patterns: readonly Pattern[] | undefined,
  kinds: readonly number[],
  sizes: readonly number[],
  order: readonly number[],
): number[][] | undefined {
  const waiting = kinds.map((size) => order.filter((i) => itemAt(sizes, i) === size));
  return patterns?.map((pattern) => pattern.flatMap((n, k) => itemAt(waiting, k).splice(0, n)));
}

/**
 * Cuts packed into as few sticks as can be. Every cut costs its length and one kerf; the last needs none, so a stick is
 * longer by one kerf. The bound is that of the relaxed plan, rounded up.
 * @param lengthsMm longer than nought; @param stickMm length of every stick; @param kerfMm what the saw takes.
 */
export function packSticks(lengthsMm: readonly number[], stickMm: number, kerfMm: number): StickPlan {
  const room = Math.floor((stickMm + kerfMm) * UNIT + 1e-6);
  const sizes = lengthsMm.map((mm) => Math.max(1, Math.ceil((mm + kerfMm) * UNIT - 1e-6)));
  const tooLong = sizes.flatMap((s, i) => (s > room ? [i] : []));
  const order = sizes.map((_, i) => i).filter((i) => itemAt(sizes, i) <= room);
  order.sort((a, b) => itemAt(sizes, b) - itemAt(sizes, a));
  if (order.length === 0) return { sticks: [], bound: 0, proved: true, tooLong };
  let best = bestFit(sizes, order, room);
  let bound = Math.ceil(order.reduce((sum, i) => sum + itemAt(sizes, i), 0) / room - 1e-9);
  const done = (): StickPlan => ({ sticks: best, bound, proved: best.length === bound, tooLong });
  if (best.length === bound) return done();
  const kinds = [...new Set(order.map((i) => itemAt(sizes, i)))];
  const wanted = kinds.map((size) => order.filter((i) => sizes[i] === size).length);
  const known = order.map((i) => itemAt(sizes, i));
  // Counted in the largest unit that measures them all: fewer lengths to look at.
  const unit = kinds.reduce(commonMeasure);
  const [counted, space] = [kinds.map((size) => size / unit), Math.floor(room / unit)];
  const pool: Pattern[] = [];
  const { patterns, use, sticks } = relaxed(counted, wanted, space, pool);
  bound = Math.max(bound, Math.ceil(sticks - 1e-6));
  for (let up = 0; up <= kinds.length && best.length > bound; up++) {
    const tried = rounded(known, kinds, patterns, use, room, up);
    if (tried.length < best.length) best = tried.map((cuts) => cuts.map((i) => itemAt(order, i)));
  }
  while (best.length > bound) {
    const found =
      cutBy(dive(counted, wanted, space, best.length - 1, pool), kinds, sizes, order) ??
      search(sizes, order, room, best.length - 1);
    if (!found) break;
    best = found.filter((cuts) => cuts.length > 0);
  }
  return done();
}
