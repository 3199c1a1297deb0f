import { depthOf, leastOn, NEVER, type Spot } from './inTheWay';
import type { Placed, Table } from './lay';
import type { Lying, NoFits } from './noFit';

/** How the weight of two that lie in each other grows with a round: by so much, and as much more by how deep; how it ebbs. */
const HEAVIER = 1.2;
const HEAVIEST = 0.8;
const LIGHTER = 0.95;

/** What two weigh that have not been in each other's way, and the most that two come to. */
const LIGHT = 8;
const HEAVY = 1 << 10;

/** Ways a piece is tried in, in one move. */
const WAYS = 4;

const lyingOf = ({ ways, way, column, row }: Placed): Lying => ({ cells: ways[way]!.cells, column, row });

/** A list in an order of chance (Fisher and Yates). */
function mixed(list: readonly number[], random: () => number): number[] {
  const next = [...list];
  for (let i = next.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [next[i], next[j]] = [next[j]!, next[i]!];
  }
  return next;
}

/**
 * Pieces pressed into less room, a move at a time: whichever is in the way goes where it is least in the way, and what
 * goes on being in each other's way weighs more and more (guided local search; Voudouris and Tsang, 1999; on layouts,
 * Egeblad, Nielsen and Odgaard, 2007; here on a raster, with the depth of overlap in cells).
 * @param tables the room, in which `start` need not fit.
 * @returns the pieces where none is in the way of another; nothing after so many moves that came to nothing better.
 */
export function* squeezed(
  start: readonly Placed[],
  tables: readonly Table[],
  noFits: NoFits,
  random: () => number,
  moves: number,
): Generator<void, Placed[] | undefined> {
  const placed = start.map((p) => ({ ...p }));
  const n = placed.length;
  const weights = new Int32Array(n * n).fill(LIGHT);
  const meets = new Int32Array(n * n);
  const isOut = (p: Placed): boolean => {
    const table = tables[p.table];
    const { cells } = p.ways[p.way]!;
    return (
      !table ||
      p.column + cells.columns > table.columns ||
      p.row + cells.rows > table.rows ||
      table.lying.some((l) => depthOf(l, lyingOf(p), noFits) > 0)
    );
  };
  const out = placed.map(isOut);
  const look = (i: number): void => {
    for (let j = 0; j < n; j++) {
      const [a, b] = [placed[i]!, placed[j]!];
      const meet = i !== j && a.table === b.table ? depthOf(lyingOf(a), lyingOf(b), noFits) : 0;
      meets[i * n + j] = meets[j * n + i] = meet;
    }
  };
  for (let i = 0; i < n; i++) look(i);
  const isInTheWay = (i: number): boolean => out[i]! || meets.subarray(i * n, (i + 1) * n).some((d) => d > 0);
  const inTheWay = (): number[] => placed.flatMap((_, i) => (isInTheWay(i) ? [i] : []));
  /** After every round what lies deepest in each other weighs most more, and what lies clear a little less. */
  const weigh = (): void => {
    const deepest = meets.reduce((a, b) => Math.max(a, b), 1);
    meets.forEach((deep, k) => {
      const weight = weights[k]! * (deep > 0 ? HEAVIER + HEAVIEST * (deep / deepest) : LIGHTER);
      weights[k] = Math.max(LIGHT, Math.min(HEAVY, weight));
    });
  };
  /** Where a piece is least in the way, on every table, in the way it lies and some others by chance. */
  const leastInTheWay = (i: number): (Spot & { table: number; way: number }) | undefined => {
    const { ways, way: own } = placed[i]!;
    const tried = new Set([own]);
    while (tried.size < Math.min(WAYS, ways.length)) tried.add(Math.floor(random() * ways.length));
    let best: (Spot & { table: number; way: number }) | undefined;
    const first = Math.floor(random() * tables.length);
    for (let k = 0; k < tables.length && best?.cost !== 0; k++) {
      const table = (first + k) % tables.length;
      const others = placed.flatMap((p, j) =>
        j !== i && p.table === table && !out[j] ? [{ lying: lyingOf(p), weight: weights[i * n + j]! }] : [],
      );
      for (const way of tried) {
        const begin = Math.floor(random() * tables[table]!.columns);
        const spot = leastOn(tables[table]!, others, ways[way]!, noFits, begin);
        if (spot && (!best || spot.cost < best.cost)) best = { ...spot, table, way };
        if (best?.cost === 0) break;
      }
    }
    return best;
  };
  let least = Infinity;
  for (let idle = 0; idle < moves;) {
    const some = inTheWay();
    if (some.length === 0) return placed;
    for (const i of mixed(some, random)) {
      // What was in the way when the round began may have been left in peace since.
      if (!isInTheWay(i)) continue;
      const best = leastInTheWay(i);
      idle += 1;
      // None of the ways that were tried may have room where others have.
      if (best && best.cost < NEVER) {
        const { table, way, column, row } = best;
        placed[i] = { ...placed[i]!, table, way, column, row };
        out[i] = false;
        look(i);
      }
      yield;
    }
    const now = out.includes(true) ? Infinity : meets.reduce((a, b) => a + b, 0);
    if (now < least) [least, idle] = [now, 0];
    weigh();
  }
  return undefined;
}
