import type { BuildDoc } from './document';
import { share } from './share';

/** The result of a three-way merge; `clashes` names what both sides changed differently. */
export interface Merged {
  doc: BuildDoc;
  clashes: string[];
}

type Bag = Record<string, unknown>;
type KeyOf = (item: Bag) => string;

const byId: KeyOf = (item) => String(item['id']);
const byFoam: KeyOf = (item) => `${String(item['foamId'])}/${String(item['nominalMm'])}`;
const byReading: KeyOf = (item) => ['key', 'side', 'takenOn'].map((key) => String(item[key] ?? '')).join('/');

/** Lists whose items are changed one by one, and what tells one item from another. */
const lists: Record<string, KeyOf> = {
  parts: byId,
  circuits: byId,
  pictures: byId,
  printed: byId,
  meshes: byId,
  foams: byId,
  versions: byId,
  stock: byFoam,
  'wearer.measures': byReading,
  'brief.boxes': byId,
  'make.readings': byId,
};

/** Objects whose values are changed one by one. */
const bags = new Set([
  '',
  'brief',
  'wearer',
  'cut',
  'cut.letters',
  'make',
  'make.habits',
  'make.done',
  'setAside',
]);

/** Whether two values say the same. */
const same = (a: unknown, b: unknown): boolean => Object.is(share(a, b), a);

/** The name of a clash: the item's own name where it has one. */
function nameOf(path: string, ...items: unknown[]): string {
  for (const item of items) {
    const name = typeof item === 'object' && item !== null ? (item as Bag)['name'] : undefined;
    if (typeof name === 'string') return name;
  }
  return path;
}

function mergeBag(base: Bag, mine: Bag, theirs: Bag, path: string, clashes: string[]): Bag {
  const keys = new Set([...Object.keys(mine), ...Object.keys(theirs), ...Object.keys(base)]);
  const merged: Bag = {};
  for (const key of keys) {
    const value = mergeValue(
      base[key],
      mine[key],
      theirs[key],
      path === '' ? key : `${path}.${key}`,
      clashes,
    );
    if (value !== undefined) merged[key] = value;
  }
  return merged;
}

const keyed = (items: readonly Bag[], keyOf: KeyOf): Map<string, Bag> =>
  new Map(items.map((item) => [keyOf(item), item]));

function mergeList(
  base: Bag[],
  mine: Bag[],
  theirs: Bag[],
  path: string,
  keyOf: KeyOf,
  clashes: string[],
): Bag[] {
  const [from, ours, others] = [base, mine, theirs].map((items) => keyed(items, keyOf)) as [
    Map<string, Bag>,
    Map<string, Bag>,
    Map<string, Bag>,
  ];
  // The side that changed the order decides it; items the other side added follow.
  const reordered = !same([...from.keys()], [...ours.keys()]);
  const order = new Set(reordered ? [...ours.keys(), ...others.keys()] : [...others.keys(), ...ours.keys()]);
  return [...order].flatMap((key) => {
    const item = mergeUnit(from.get(key), ours.get(key), others.get(key), `${path}.${key}`, clashes);
    return item === undefined ? [] : [item as Bag];
  });
}

function mergeUnit(base: unknown, mine: unknown, theirs: unknown, path: string, clashes: string[]): unknown {
  if (same(mine, theirs) || same(base, theirs)) return mine;
  if (!same(base, mine)) clashes.push(nameOf(path, mine, theirs, base));
  return same(base, mine) ? theirs : mine;
}

const isBag = (value: unknown): value is Bag =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function mergeValue(base: unknown, mine: unknown, theirs: unknown, path: string, clashes: string[]): unknown {
  if (same(mine, theirs) || same(base, theirs)) return mine;
  if (same(base, mine)) return theirs;
  if (bags.has(path) && isBag(mine) && isBag(theirs))
    return mergeBag(isBag(base) ? base : {}, mine, theirs, path, clashes);
  const keyOf = lists[path];
  if (keyOf && Array.isArray(mine) && Array.isArray(theirs))
    return mergeList(
      Array.isArray(base) ? (base as Bag[]) : [],
      mine as Bag[],
      theirs as Bag[],
      path,
      keyOf,
      clashes,
    );
  return mergeUnit(base, mine, theirs, path, clashes);
}

/**
 * Three-way merge of a build: parts, circuits, foams, readings and ticks one by one, a part as a whole. What only one
 * side changed is taken; what both changed otherwise stays as in `mine` and is named among the clashes.
 * @param base what both began from.
 */
export function mergeDocs(base: BuildDoc, mine: BuildDoc, theirs: BuildDoc): Merged {
  const clashes: string[] = [];
  const doc = mergeValue(base, mine, theirs, '', clashes) as BuildDoc;
  return { doc, clashes };
}
