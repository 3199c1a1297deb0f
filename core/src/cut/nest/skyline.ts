import { itemAt } from '../../units';

/** A level rectangle that may lie in each of its ways: sizes along the sheet and across it, with room to the next kept. */
export interface Block {
  ways: readonly { along: number; across: number }[];
}

/** Where a block lies: on which sheet, which way, and its lower left corner. */
export interface BlockAt {
  sheet: number;
  way: number;
  x: number;
  y: number;
}

/** All blocks laid, and how long a strip they take: whole sheets before the last, and what is used of that. */
export interface Skyline {
  at: BlockAt[];
  lengthMm: number;
  /** How far the last sheet is filled on the whole, waste included: it leads over level ground. */
  meanMm: number;
}

interface Step {
  /** How far it is filled, and from where to where across. */
  x: number;
  y: number;
  across: number;
}

/** Lengths nearer than this are the same, mm. */
const SAME = 1e-6;
const same = (a: number, b: number): boolean => Math.abs(a - b) < SAME;

/**
 * Blocks laid one after another at the lowest place of the skyline: of those that fit there the one that fits best, by
 * whether it fills the place and ends level with a neighbour; of those alike the first in the order.
 * Source: Leung, Zhang, Sim, A two-stage intelligent search algorithm for the two-dimensional strip packing problem, 2011.
 */
export function skyline(
  blocks: readonly Block[],
  order: readonly number[],
  wideMm: number,
  highMm: number,
): Skyline {
  const at = new Array<BlockAt>(blocks.length);
  const left = [...order];
  let [lengthMm, meanMm] = [0, 0];
  for (let sheet = 0; left.length > 0; sheet++) {
    const before = left.length;
    let reachedMm = 0;
    let line: Step[] = [{ x: 0, y: 0, across: highMm }];
    for (;;) {
      let low = 0;
      line.forEach((s, i) => {
        if (s.x < itemAt(line, low).x - SAME) low = i;
      });
      const place = itemAt(line, low);
      if (place.x > wideMm - SAME || left.length === 0) break;
      const below = (line[low - 1]?.x ?? Infinity) - place.x;
      const above = (line[low + 1]?.x ?? Infinity) - place.x;
      const best = fittest(blocks, left, place, below, above, wideMm);
      if (!best) {
        // Nothing fits there: it is filled up to its lower neighbour.
        line[low] = { ...place, x: Math.min(wideMm, place.x + Math.min(below, above)) };
        line = merged(line);
        continue;
      }
      const { index, way } = best;
      const { along, across } = itemAt(itemAt(blocks, index).ways, way);
      // Against the higher neighbour, so that what is left of the place is one.
      const y = above > below ? place.y + place.across - across : place.y;
      at[index] = { sheet, way, x: place.x, y };
      reachedMm = Math.max(reachedMm, place.x + along);
      left.splice(best.place, 1);
      const filled = { x: place.x + along, y, across };
      const rest = {
        x: place.x,
        y: above > below ? place.y : place.y + across,
        across: place.across - across,
      };
      line.splice(
        low,
        1,
        ...(rest.across < SAME ? [filled] : above > below ? [rest, filled] : [filled, rest]),
      );
      line = merged(line);
    }
    lengthMm = sheet * wideMm + reachedMm;
    meanMm = line.reduce((sum, s) => sum + s.x * s.across, 0) / highMm;
    if (left.length === before) throw new Error('A block fits no sheet.');
  }
  return { at, lengthMm, meanMm };
}

/** The block that fits a place best, and which way. */
function fittest(
  blocks: readonly Block[],
  left: readonly number[],
  gap: Step,
  below: number,
  above: number,
  wideMm: number,
): { index: number; way: number; place: number } | undefined {
  let best: { index: number; way: number; place: number } | undefined;
  let most = -1;
  const [higher, lower] = [Math.max(below, above), Math.min(below, above)];
  for (let place = 0; place < left.length; place++) {
    const index = left[place]!;
    const { ways } = itemAt(blocks, index);
    for (let way = 0; way < ways.length; way++) {
      const { along, across } = itemAt(ways, way);
      if (across > gap.across + SAME || gap.x + along > wideMm + SAME) continue;
      const fills = same(across, gap.across);
      const score = fills
        ? same(along, higher)
          ? 4
          : same(along, lower)
            ? 3
            : 2
        : same(along, higher)
          ? 1
          : 0;
      if (score > most) [best, most] = [{ index, way, place }, score];
    }
    if (most === 4) break;
  }
  return best;
}

/** Neighbours that are filled equally far are one place. */
function merged(line: readonly Step[]): Step[] {
  const whole: Step[] = [];
  for (const step of line) {
    const last = whole.at(-1);
    if (last && same(last.x, step.x))
      whole[whole.length - 1] = { ...last, across: last.across + step.across };
    else whole.push(step);
  }
  return whole;
}

const scoreOf = ({ lengthMm, meanMm }: Skyline): number => lengthMm + meanMm;

/** How warm the search begins, as a share of the length, how it cools, and when it is warmed again. */
const WARM = 0.02;
const COOLS = 0.9995;
const COLD = 1e-4;
/** Pairs of blocks that are looked at between two answers. */
const WORK = 180_000;

/**
 * Better and better skylines: orders with two blocks swapped or one moved, accepted while not much longer (simulated
 * annealing). It ends where nothing can be shorter: at the area of the blocks or the longest of them.
 */
export function* skylines(
  blocks: readonly Block[],
  wideMm: number,
  highMm: number,
  random: () => number,
): Generator<Skyline> {
  // Of many blocks a line takes longer: an answer, and a way to stop, comes as often.
  const each = Math.max(1, Math.round(WORK / blocks.length ** 2));
  const area = blocks.reduce((sum, { ways }) => sum + itemAt(ways, 0).along * itemAt(ways, 0).across, 0);
  const longest = blocks.reduce((most, { ways }) => Math.max(most, Math.min(...ways.map((w) => w.along))), 0);
  const least = Math.max(longest, area / highMm);
  const sizeOf = (i: number): number =>
    itemAt(itemAt(blocks, i).ways, 0).along * itemAt(itemAt(blocks, i).ways, 0).across;
  let order = blocks.map((_, i) => i).sort((a, b) => sizeOf(b) - sizeOf(a));
  let now = skyline(blocks, order, wideMm, highMm);
  let best = now;
  let warm = WARM;
  for (;;) {
    yield best;
    if (best.lengthMm < least + 1e-3) return;
    for (let k = 0; k < each; k++) {
      const next = [...order];
      const [i, j] = [Math.floor(random() * next.length), Math.floor(random() * next.length)];
      if (random() < 0.5) [next[i], next[j]] = [itemAt(next, j), itemAt(next, i)];
      else next.splice(j, 0, ...next.splice(i, 1));
      const found = skyline(blocks, next, wideMm, highMm);
      if (scoreOf(found) < scoreOf(now) + warm * least * -Math.log(1 - random()))
        [order, now] = [next, found];
      if (found.lengthMm < best.lengthMm - SAME) best = found;
      warm *= COOLS;
      if (warm < COLD) warm = WARM;
    }
  }
}
