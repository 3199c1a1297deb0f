/** What was looked up is not there: a fault of the program, named where it happens and not three functions later. */
class Missing extends RangeError {}

function checked<T>(value: T | undefined, what: () => string): T {
  if (value === undefined) throw new Missing(what());
  return value;
}

/** The one at a place of a list that has it. */
export function itemAt<T>(list: ArrayLike<T>, index: number): T {
  const item = list[index];
  if (item === undefined) throw new Missing(`There is no item ${index} among ${list.length}.`);
  return item;
}

/** The first of a list that is not empty. */
export const firstOf = <T>(list: ArrayLike<T>): T => itemAt(list, 0);

/** The last of a list that is not empty. */
export const lastOf = <T>(list: ArrayLike<T>): T => itemAt(list, list.length - 1);

/** The one of a list that answers, where one does. */
export const findIn = <T>(list: readonly T[], is: (item: T, index: number) => boolean): T =>
  checked(list.find(is), () => `None of ${list.length} is the one.`);

/** What stands under a key that is there. */
export const getFrom = <K, V>(map: { get: (key: K) => V | undefined }, key: K): V =>
  checked(map.get(key), () => `There is nothing under “${String(key)}”.`);
