import { chance, itemAt } from '../units';

/** Something that travels: the smallest box round it. */
export interface TravelItem {
  id: string;
  name: string;
  sidesMm: readonly [number, number, number];
  massG: number;
}

/** A box, case or bag by its inside. */
export interface TravelBox {
  id: string;
  name: string;
  insideMm: readonly [number, number, number];
}

/** Where an item lies in its box: its near lower left corner, and its size there. */
export interface Stowed {
  item: TravelItem;
  atMm: [number, number, number];
  sizeMm: [number, number, number];
}

export interface Stowing {
  boxes: { box: TravelBox; stowed: Stowed[]; massG: number; filled: number }[];
  /** What fits in none of the boxes at all, and what only found no room any more. */
  tooBig: TravelItem[];
  left: TravelItem[];
}

type Size = [number, number, number];

/** Orders tried beyond the two by size. */
const SHUFFLES = 40;

const turnsOf = ([a, b, c]: readonly [number, number, number]): Size[] => [
  [a, b, c],
  [b, a, c],
  [a, c, b],
  [c, a, b],
  [b, c, a],
  [c, b, a],
];

const volume = ([a, b, c]: readonly [number, number, number]): number => a * b * c;

const overlap = (a: Stowed, at: Size, size: Size): boolean =>
  [0, 1, 2].every(
    (k) =>
      itemAt(a.atMm, k) + itemAt(a.sizeMm, k) > itemAt(at, k) + 1e-6 &&
      itemAt(at, k) + itemAt(size, k) > itemAt(a.atMm, k) + 1e-6,
  );

/** The lowest, then nearest, then leftmost corner at which an item fits, turned any way. */
function place(item: TravelItem, box: TravelBox, stowed: readonly Stowed[]): Stowed | undefined {
  // Corners that what lies there already leaves: beside, before and on top of each, against walls and neighbours.
  const [xs, ys, zs] = [0, 1, 2].map((k) => [
    0,
    ...new Set(stowed.map((s) => itemAt(s.atMm, k) + itemAt(s.sizeMm, k))),
  ]) as [number[], number[], number[]];
  let best: Stowed | undefined;
  const better = (at: Size): boolean => {
    if (!best) return true;
    for (const k of [2, 1, 0])
      if (Math.abs(itemAt(at, k) - itemAt(best.atMm, k)) > 1e-6) return itemAt(at, k) < itemAt(best.atMm, k);
    return false;
  };
  for (const sizeMm of turnsOf(item.sidesMm))
    for (const z of zs)
      for (const y of ys)
        for (const x of xs) {
          const at: Size = [x, y, z];
          if (!better(at) || at.some((v, k) => v + itemAt(sizeMm, k) > itemAt(box.insideMm, k) + 1e-6))
            continue;
          if (stowed.some((s) => overlap(s, at, sizeMm))) continue;
          best = { item, atMm: at, sizeMm };
        }
  return best;
}

function stowedIn(order: readonly TravelItem[], boxes: readonly TravelBox[]): Stowing {
  const filled = boxes.map((box) => ({ box, stowed: [] as Stowed[] }));
  const left: TravelItem[] = [];
  for (const item of order) {
    let at: Stowed | undefined;
    for (const { box, stowed } of filled) {
      at = place(item, box, stowed);
      if (!at) continue;
      stowed.push(at);
      break;
    }
    if (!at) left.push(item);
  }
  return {
    boxes: filled.map(({ box, stowed }) => ({
      box,
      stowed,
      massG: stowed.reduce((sum, s) => sum + s.item.massG, 0),
      filled: stowed.reduce((sum, s) => sum + volume(s.sizeMm), 0) / volume(box.insideMm),
    })),
    tooBig: [],
    left,
  };
}

/** Whether an item fits in a box at all. */
export const goesIn = (item: TravelItem, box: TravelBox): boolean =>
  turnsOf(item.sidesMm).some((size) => size.every((v, k) => v <= itemAt(box.insideMm, k) + 1e-6));

/**
 * Items stowed in boxes, largest first, each at the lowest free corner of the first box that takes it, turned any way
 * square to the walls; then in orders a little different, and the one that leaves least behind is kept. The same items
 * give the same answer.
 */
export function stow(items: readonly TravelItem[], boxes: readonly TravelBox[]): Stowing {
  const tooBig = items.filter((i) => !boxes.some((b) => goesIn(i, b)));
  const fitting = items.filter((i) => !tooBig.includes(i));
  const byVolume = [...fitting].sort((a, b) => volume(b.sidesMm) - volume(a.sidesMm));
  const byLength = [...fitting].sort((a, b) => Math.max(...b.sidesMm) - Math.max(...a.sidesMm));
  const behind = ({ left }: Stowing): number => left.reduce((sum, i) => sum + volume(i.sidesMm), 0);
  const even = chance(1);
  let best = stowedIn(byVolume, boxes);
  const tryOrder = (order: readonly TravelItem[]): void => {
    const made = stowedIn(order, boxes);
    if (behind(made) < behind(best)) best = made;
  };
  if (best.left.length > 0) tryOrder(byLength);
  for (let i = 0; i < SHUFFLES && best.left.length > 0; i++)
    // Larger ones still tend to come first.
    tryOrder(
      [...fitting]
        .map((item) => ({ item, key: volume(item.sidesMm) * (0.3 + even()) }))
        .sort((a, b) => b.key - a.key)
        .map(({ item }) => item),
    );
  return { ...best, tooBig };
}
