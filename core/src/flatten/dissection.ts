import { firstOf, lastOf } from '../units';
/** Parts smaller than this are numbered as they come. */
const SMALL = 8;
/** Share of the vertices that either side of a parting keeps at least. */
const LEAST_SHARE = 0.3;

/** The level with the fewest vertices among those that leave enough on either side. */
function thinnest(order: readonly number[], level: Int32Array): number {
  // Never the last: nothing lies beyond it.
  const last = level[lastOf(order)]! - 1;
  const from = Math.min(last, level[order[Math.floor(order.length * LEAST_SHARE)]!]!);
  const to = Math.min(last, level[order[Math.floor(order.length * (1 - LEAST_SHARE))]!]!);
  const counts = new Int32Array(to - from + 1);
  for (const v of order) {
    const k = level[v]! - from;
    if (k >= 0 && k < counts.length) counts[k]! += 1;
  }
  return from + counts.indexOf(Math.min(...counts));
}

/**
 * Nested-dissection order of a graph (George, Nested Dissection of a Regular Finite Element Mesh, 1973): a thin
 * level of a breadth-first search parts the vertices in two; each half is numbered first, the level between them
 * last, over and over, so that a factor fills in little.
 * @returns new index of each old one.
 */
export function nestedDissection(neighbours: readonly (readonly number[])[]): Int32Array {
  const size = neighbours.length;
  const place = new Int32Array(size);
  /** Which part a vertex is in at present; −1 once it is numbered. */
  const part = new Int32Array(size);
  const level = new Int32Array(size);
  let parts = 0;
  let next = size;

  /** Vertices of a part in breadth-first order from a root; those that cannot be reached are left out. */
  const search = (root: number, id: number): number[] => {
    const order = [root];
    level[root] = 0;
    const seen = new Set(order);
    for (let i = 0; i < order.length; i++) {
      const v = order[i]!;
      for (const n of neighbours[v]!) {
        if (part[n] !== id || seen.has(n)) continue;
        seen.add(n);
        level[n] = level[v]! + 1;
        order.push(n);
      }
    }
    return order;
  };
  const number = (vertices: readonly number[]): void => {
    for (const v of vertices) {
      place[v] = --next;
      part[v] = -1;
    }
  };
  const enter = (vertices: readonly number[]): { id: number; vertices: readonly number[] } => {
    const id = ++parts;
    for (const v of vertices) part[v] = id;
    return { id, vertices };
  };

  const open = [enter(Array.from({ length: size }, (_, i) => i))];
  while (open.length > 0) {
    const { id, vertices } = open.pop()!;
    if (vertices.length <= SMALL) {
      number(vertices);
      continue;
    }
    // From the far end of one search, so that levels are thin and many.
    const order = search(lastOf(search(firstOf(vertices), id)), id);
    const reached = new Set(order);
    const apart = vertices.filter((v) => !reached.has(v));
    const middle = thinnest(order, level);
    const after = order.filter((v) => level[v]! > middle);
    // What touches nothing beyond parts nothing.
    const parts = (v: number): boolean =>
      level[v] === middle && neighbours[v]!.some((n) => part[n] === id && level[n]! > middle);
    const between = order.filter(parts);
    const before = order.filter((v) => level[v]! <= middle && !parts(v));
    number(between);
    for (const rest of [before, after, apart]) if (rest.length > 0) open.push(enter(rest));
  }
  return place;
}
